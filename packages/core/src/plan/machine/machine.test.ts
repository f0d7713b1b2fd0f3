import fc from 'fast-check';
import { log, plan, planContext, strand } from '../../testing/samples';
import { livedPlan } from '../../testing/livedPlan';
import { seasonRules } from '../../testing/seasonSamples';
import { decide } from '../decide';
import { planVerdicts } from '../planVerdicts';
import { applied } from './applied';
import { judge, mayMove, noBars, type Ruling } from './judge';
import { newState, type Ladder, type Rules, type Session, type StrandState } from './strandState';
import { withSession } from './withSession';

const rules: Rules = { ...seasonRules, growth: 0.1 };
const ladder: Ladder = {
  step: 5,
  byRungs: false,
  first: 60,
  target: 600,
  most: null,
  mostBy: 'strength',
  cap: null,
  growthShare: 1,
};
type Mark = Pick<Session, 'share' | 'kept' | 'effort'>;

/** Sessions on the given days, every ruling accepted as it falls due; what was ruled on each day. */
function lived(marks: readonly Mark[], days = marks.map((_, index) => index), from = newState(60)) {
  let state: StrandState = from;
  const rulings: (Ruling & { day: number })[] = [];
  const levels: number[] = [];
  const decide = (day: number): void => {
    const ruling = judge(state, day, ladder, rules, noBars);
    rulings.push({ ...ruling, day });
    state = applied(state, ruling, day);
  };
  marks.forEach((mark, index) => {
    const day = days[index]!;
    decide(day);
    state = withSession(state, { ...mark, day, counts: true }, rules);
    decide(day);
    levels.push(state.level);
  });
  return { state, rulings, levels };
}

const met: Mark = { share: 1, kept: 1, effort: 6 };
const anyMark: fc.Arbitrary<Mark> = fc.record({
  share: fc.constantFrom(1, 1, 1, 0.9, 0.7, 0.6, 0.3),
  kept: fc.constantFrom(1, 1, 1, 0.9, 0.5),
  effort: fc.constantFrom(3, 5, 7, 8, 9, 10, null),
});

describe('no ratchet', () => {
  test('daily practice at full doses with efforts 8 8 8 9 for twelve weeks never ends below the start', () => {
    const value = plan([strand({ start: 60, level: 180, target: 600 })]);
    const efforts = [8, 8, 8, 9];
    const days = livedPlan(
      planContext(value, { practiceDays: [1, 2, 3, 4, 5, 6, 7] }),
      84,
      (_day, _strand, number) => ({
        share: 1,
        kept: null,
        effort: efforts[number % 4]!,
      }),
    );
    expect(days).toHaveLength(84);
    for (const { plan: now } of days) expect(now.strands[0]!.level).toBe(180);
  });

  test('no mixture of ordinary good days and hard ones that stand alone ever takes anything off', () => {
    const ordinary = fc.record({
      share: fc.constantFrom(1, 1, 0.9, 0.75),
      kept: fc.constant(1),
      effort: fc.constantFrom(3, 5, 6, 7, 8),
    });
    // A hard day now and then, with two ordinary ones after it.
    const some = fc.array(
      fc.oneof(
        ordinary.map((one) => [one]),
        fc.tuple(ordinary, ordinary).map(([a, b]) => [{ ...met, effort: 10 }, a, b]),
      ),
      {
        minLength: 1,
        maxLength: 60,
      },
    );
    fc.assert(
      fc.property(some, (list) => {
        const { rulings, levels } = lived(list.flat());
        expect(rulings.filter(({ kind }) => kind === 'ease')).toEqual([]);
        expect(levels.every((level, index) => level >= (levels[index - 1] ?? 60))).toBe(true);
      }),
      { numRuns: 2000, seed: 1 },
    );
  });

  test('whatever happens: never below the first dose, at most one ease in seven days, no raise within three after it', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(anyMark, fc.constantFrom(1, 1, 2, 3, 9, 20, 40)), { maxLength: 80 }), (list) => {
        let day = 0;
        const days = list.map(([, gap]) => (day += gap));
        const { rulings, levels } = lived(
          list.map(([mark]) => mark),
          days,
        );
        for (const level of levels) expect(level).toBeGreaterThanOrEqual(60);
        const moved = rulings.filter(({ level }) => level !== null);
        moved.forEach((ruling, index) => {
          const before = moved[index - 1];
          if (before === undefined) return;
          const apart = ruling.day - before.day;
          // A gap is answered when it ends, however lately something was eased.
          if (
            ruling.kind === 'ease' &&
            before.kind === 'ease' &&
            ruling.because !== 'gap' &&
            ruling.because !== 'retest'
          )
            expect(apart).toBeGreaterThanOrEqual(7);
          if (ruling.kind === 'raise' && before.kind === 'ease') expect(apart).toBeGreaterThanOrEqual(3);
          if (ruling.because === 'raise' && before.because === 'raise') expect(apart).toBeGreaterThanOrEqual(7);
          if (ruling.because === 'raise')
            expect(ruling.level! / 1.1).toBeLessThanOrEqual(levelBefore(moved, index) + 1e-9);
        });
      }),
      { numRuns: 2000, seed: 2 },
    );
  });

  const levelBefore = (moved: readonly Ruling[], index: number): number => moved[index - 1]?.level ?? 60;

  test('what was eased comes back in one step after two met sessions', () => {
    const hard = { ...met, effort: 9 };
    const from = newState(100);
    const eased = lived([hard, hard], [0, 1], from);
    expect(eased.state.level).toBeCloseTo(100 / 1.1, 9);
    const back = lived([met, met, met], [2, 3, 4], eased.state);
    expect(back.levels[1]).toBeLessThan(100);
    expect(back.levels[2]).toBe(100);
  });

  test('a history in which all is met is never behind any other', () => {
    fc.assert(
      fc.property(fc.array(anyMark, { minLength: 1, maxLength: 60 }), (marks) => {
        const other = lived(marks).levels;
        const best = lived(marks.map(() => met)).levels;
        other.forEach((level, index) => expect(level).toBeLessThanOrEqual(best[index]! + 1e-9));
      }),
      { numRuns: 2000, seed: 3 },
    );
  });
});

test('a decision leaves what it was taken from as it was: undone, it is the old plan with the old verdicts', () => {
  const value = plan([strand(), strand({ id: 't', segmentId: 'b' })]);
  const logs = ['2026-01-06', '2026-01-08'].map((day) => log(day));
  const context = planContext(value, { logs, today: '2026-01-08' });
  const copy = structuredClone(value);
  const before = planVerdicts(context);
  const answer = { outcome: 'accepted', level: before[0]!.level, teacherReason: '' } as const;
  const after = decide(value, before[0]!, answer, 'd', new Date('2026-01-08T20:00:00')).plan;
  expect(planVerdicts({ ...context, plan: after })).not.toEqual(before);
  expect(value).toEqual(copy);
  expect(planVerdicts(context)).toEqual(before);
});

test('where the machine says beforehand that nothing may move, nothing does until the next practice', () => {
  let [still, days] = [0, 0];
  fc.assert(
    fc.property(fc.array(anyMark, { minLength: 1, maxLength: 30 }), fc.constantFrom(1, 2, 3), (marks, wanted) => {
      const own = { ...rules, sessionsToRaise: wanted };
      let state: StrandState = newState(60);
      marks.forEach((mark, day) => {
        days += 1;
        state = withSession(state, { ...mark, day, counts: true }, own);
        const ruling = judge(state, day, ladder, own, noBars);
        if (!mayMove(state, own)) {
          still += 1;
          expect(ruling).toMatchObject({ kind: 'stay', level: null, passing: false });
        }
        state = applied(state, ruling, day);
      });
    }),
    { numRuns: 500, seed: 4 },
  );
  // Often enough to mean something.
  expect(still / days).toBeGreaterThan(0.06);
});

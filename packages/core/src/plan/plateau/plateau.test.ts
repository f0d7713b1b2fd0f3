import { addDays, formatISO, parseISO } from 'date-fns';
import fc from 'fast-check';
import { hold, together } from '../../library/describe';
import type { Plan, Strand } from '../../goals/plan';
import type { PracticeLog } from '../../practice/log';
import { defaultRaiseRule as rule, softSchool } from '../../schools/builtInSchools';
import { newStudent } from '../../students/newStudent';
import { livedPlan } from '../../testing/livedPlan';
import { log, logLine, person, plan, planContext, routine, segment, strand, verdictOn } from '../../testing/samples';
import { seededRandom } from '../../random';
import { isDue, decide, takesUp } from '../decide';
import { dosedRoutine } from '../dosedRoutine';
import { planForecast } from '../planForecast';
import { plannedDays } from '../plannedDays';
import { doseOf, gridOf } from '../steps';
import { strandChances } from '../strandChances';
import { strandPlaces } from '../strandPlaces';
import {
  PLATEAU_PRACTICES,
  earlierIn,
  easierPosture,
  easierWords,
  outlookWords,
  takeWay,
  waysOn,
  withoutEasier,
  type Way,
} from '.';
import { weekdayWords } from './weekdayWords';
import { unturned } from '../../routine/turned';
import type { Turned } from '../../routine/routine';
import { shelf } from '../../testing/samples';

const iso = (date: Date): string => formatISO(date, { representation: 'date' });
/** A day of the second plan week on, counted from it. */
const day = (number: number): string => iso(addDays(parseISO('2026-01-05'), number));
/** Practices every other day, each with its share and its effort. */
const practices = (shares: readonly number[], efforts: readonly (number | null)[] = [6]): PracticeLog[] =>
  shares.map((share, at) => log(day(2 * at), { lines: [logLine(share)], effort: efforts[at % efforts.length]! }));
const atPlan = (change: Partial<Strand> = {}): Plan => plan([strand(change)]);
const verdict = (logs: readonly PracticeLog[], change: Partial<Strand> = {}, today = logs.at(-1)?.day ?? day(0)) => {
  const value = atPlan(change);
  return verdictOn(planContext(value, { logs, today }), value.strands[0]!);
};
const six = practices([0.9, 0.92, 0.88, 0.9, 0.95, 0.85]);
const now = new Date('2026-01-16T12:00:00');

describe('a plateau is seen', () => {
  test('after six practices at one dose of which none was whole and none under 70 %', () => {
    expect(verdict(six.slice(0, 5)).plateau).toBeNull();
    const seen = verdict(six);
    // Half of 5 s are whole seconds, so 2 s: 54 s of 60 were held.
    expect(seen).toMatchObject({ kind: 'stay', moves: false, plateau: { dose: 60, held: 54, because: 'short' } });
    expect(seen.reasons[0]).toContain('The last 6 practices at 1:00 min were not done in full; about 54 s of it was.');
    expect(verdict(practices([0.9, 0.9, 0.6, 0.9, 0.9, 0.9])).plateau).toBeNull();
    // One that was whole may be the first of two.
    expect(verdict(practices([0.9, 0.9, 0.9, 0.9, 0.9, 1])).plateau).toBeNull();
    expect(verdict(practices([0.9, 1, 0.9, 0.9, 1, 0.9])).plateau).toMatchObject({ held: 54 });
    expect(verdict(practices([1, 1, 0.9, 0.9, 0.9, 0.9])).plateau).toBeNull();
  });

  test('when it is met and too hard, every other time or each time; an effort that was not noted is no plateau', () => {
    const whole = [1, 1, 1, 1, 1, 1, 1];
    expect(verdict(practices(whole.slice(1), [8])).plateau).toMatchObject({ because: 'hard', held: 60 });
    expect(verdict(practices(whole.slice(1), [8])).reasons[0]).toContain('mostly too hard for a raise');
    expect(verdict(practices(whole.slice(1), [null])).plateau).toBeNull();
    // Eased once already, and still hard every other time.
    expect(verdict(practices(whole, [9, 6]), { lost: [65] })).toMatchObject({
      because: 'up and down',
      plateau: { because: 'hard' },
    });
  });

  test('a gap, an answer or another dose begins the count again', () => {
    expect(verdict(six, {}, day(17)).plateau).not.toBeNull();
    expect(verdict(six, {}, day(18)).plateau).toBeNull();
    const after = [...six.slice(0, 3), ...six.slice(3).map((one, at) => ({ ...one, day: day(24 + 2 * at) }))];
    expect(verdict(after).plateau).toBeNull();
    expect(verdict(six, { plateauAnsweredAt: `${day(2)}T23:00:00Z` }).plateau).toBeNull();
    expect(verdict(six, { changedAt: `${day(2)}T23:00:00Z` }).plateau).toBeNull();
    // Asked for less: no test of the dose.
    expect(verdict(six, { level: 70 }).plateau).toBeNull();
  });

  test('is due, is not accepted with the others, and put off is asked again after a week', () => {
    const seen = verdict(six);
    expect(isDue(seen, [], six, rule, day(10))).toBe(true);
    expect(takesUp(seen)).toBe(false);
    const { plan: same, decision } = decide(
      atPlan(),
      seen,
      { outcome: 'put off', level: 60, teacherReason: '' },
      'd',
      parseISO(day(10)),
    );
    expect(same).toEqual(atPlan());
    expect(isDue(seen, [decision], six, rule, day(16))).toBe(false);
    expect(isDue(seen, [decision], six, rule, day(17))).toBe(true);
  });
});

describe('the ways on', () => {
  const drills = routine([
    segment('loose', hold(60, together(1)), { exerciseId: 'joint-circles' }),
    segment('first', hold(60, together(1)), { exerciseId: 'wide-rider' }),
    segment('a', hold(60, together(1))),
  ]);
  const student = { ...newStudent('u', 'Ama', softSchool.id), practiceDays: [1, 3, 5] };
  const known = person({ student, plans: [atPlan()], routines: [drills], logs: six }, day(10));
  const offered = (change: Partial<Strand> = {}, logs = six): readonly Way[] => {
    const value = atPlan(change);
    const seen = verdict(logs, change);
    return waysOn(seen.plateau!, value.strands[0]!, value, strandPlaces(value, known).get('s'), { ...known, logs });
  };
  const way = (kind: Way['kind'], change: Partial<Strand> = {}): Way =>
    offered(change).find((one) => one.kind === kind)!;

  test('are what is held and half steps, an easier posture, another place, and a test, in this order', () => {
    expect(offered().map(({ kind }) => kind)).toEqual(['half steps', 'easier posture', 'another place', 'new test']);
    expect(way('half steps').words).toBe(
      'Back to 54 s, which was really held, and in steps of 2 s, half as much a week, up to the goal.',
    );
    expect(way('another place').words).toContain('Move it before Wide rider stand');
  });

  test('half steps: the forecast begins where it is held and grows by half as much, up to the goal, and no further', () => {
    const { plan: after, decision } = takeWay(atPlan(), 's', way('half steps'), 'd', now);
    expect(after.strands[0]).toMatchObject({ level: 54, start: 54, step: 2, halfSteps: { step: 5 }, lost: [] });
    expect(decision).toMatchObject({ outcome: 'another way', from: 60, to: 54 });
    const weeks = (value: Plan) =>
      planForecast(planContext({ ...value, lighterEvery: 0 }, { today: '2026-01-17' })).strands[0]!.weeks;
    const doses = weeks(after).map(({ dose }) => dose);
    expect(doses.slice(0, 4)).toEqual([54, 54, 56, 58]);
    // By half as much each time.
    const first = (value: Plan) => weeks(value).findIndex(({ dose }) => dose === 180);
    expect(first(after)).toBeGreaterThan(1.7 * first(atPlan()));
    expect(doses.at(-1)).toBe(180);
    // At the goal steps are whole again.
    const near = { ...after, strands: [{ ...after.strands[0]!, level: 178 }] };
    const raise = { ...verdict([]), kind: 'raise' as const, because: 'raise' as const, level: 180, moves: true };
    const there = decide(near, raise, { outcome: 'accepted', level: 180, teacherReason: '' }, 'd2', now).plan;
    expect(there.strands[0]).toMatchObject({ step: 5, halfSteps: null, level: 180 });
  });

  test('an easier posture: two weeks higher at the same dose, in the hall and in the days to come; then as before', () => {
    const { plan: after } = takeWay(atPlan(), 's', way('easier posture'), 'd', now);
    const { easier } = after.strands[0]!;
    expect(easier).toMatchObject({ from: '2026-01-16', until: '2026-01-29' });
    const bend = (on: string): number | null => {
      const part = dosedRoutine(drills, after, on, [1, 3, 5]).segments.find(({ id }) => id === 'a')!;
      return part.type === 'exercise' ? (part.turned?.kneeBendDeg ?? part.turned?.shoulderRaiseDeg ?? null) : null;
    };
    expect(bend('2026-01-29')).not.toBeNull();
    expect(bend('2026-01-30')).toBeNull();
    const value = { ...after, id: 'p' };
    const then = person({ student, plans: [value], routines: [drills], logs: six }, '2026-01-16');
    const days = plannedDays(value, then, 4);
    for (const { day: on, routine: asked } of days) {
      const part = asked.segments.find(({ id }) => id === 'a')!;
      expect(part.type === 'exercise' && part.turned !== null).toBe(on <= '2026-01-29');
    }
    // Nothing is raised meanwhile, however well it goes, and what was done in it is no test of the dose.
    const well = practices([1, 1, 1, 1]).map((one, at) => ({
      ...one,
      day: day(12 + 2 * at),
      startedAt: `${day(12 + 2 * at)}T07:00:00Z`,
    }));
    const during = verdictOn(planContext(value, { logs: [...six, ...well], today: day(18) }), value.strands[0]!);
    expect(during).toMatchObject({ kind: 'stay' });
    expect(during.reasons[0]).toMatch(/^Easier for a while: .* until Thu 29 Jan; nothing is raised until then\.$/);
    // What was practised before it still tells of the dose.
    expect(during.reasons.join(' ')).not.toContain('Not practised at this dose yet');
    const forecast = planForecast(planContext({ ...value, lighterEvery: 0 }, { today: '2026-01-16' })).strands[0]!;
    expect(forecast.weeks.filter(({ day: on }) => on <= '2026-01-26').every(({ dose }) => dose === 60)).toBe(true);
    expect(forecast.earliestDay).not.toBeNull();
    // Ended sooner, it is over from today on.
    const ended = withoutEasier(value.strands[0]!, new Date('2026-01-20T12:00:00'));
    expect(ended.easier!.until).toBe('2026-01-19');
    expect(withoutEasier(ended, new Date('2026-01-20T13:00:00'))).toBe(ended);
  });

  test('a chance with half steps is more than none, where it was none at the old dose', () => {
    const value = plan([strand({ target: 66, targetDay: '2026-06-30' })], { lighterEvery: 0 });
    const chance = (of: Plan) =>
      strandChances(planContext(of, { logs: six, today: day(12) }), 200, seededRandom(7))[0]!;
    expect(chance(value).weeks.every(({ high }) => high === 60)).toBe(true);
    const { plan: after } = takeWay(value, 's', way('half steps'), 'd', now);
    const later = chance(after).weeks;
    expect(later[0]!.middle).toBe(54);
    expect(later.at(-1)!.high).toBeGreaterThan(54);
  });
});

test('efforts of 6 and 9 in turn, every dose met, never walk a goal further down than one step', () => {
  const value = plan([strand({ start: 40, level: 120, target: 300 })]);
  const lived = livedPlan(planContext(value), 26 * 7, (_, __, number) => ({
    share: 1,
    kept: null,
    effort: number % 2 === 0 ? 6 : 9,
  }));
  const doses = lived.map(({ asked }) => asked.get('s')!);
  expect(Math.min(...doses)).toBeGreaterThanOrEqual(doseOf(120 / 1.1, gridOf(value.strands[0]!)) * 0.6 - 5);
  expect(doses.at(-1)).toBeGreaterThanOrEqual(105);
});

test('a plateau is never seen while the machine raises or eases, whatever is practised', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ share: fc.constantFrom(0.5, 0.8, 0.95, 1), effort: fc.constantFrom(null, 5, 7, 8, 9) }), {
        maxLength: 14,
      }),
      fc.option(fc.constant(70), { nil: null }),
      (list, lost) => {
        const logs = list.map(({ share, effort }, at) => log(day(2 * at), { lines: [logLine(share)], effort }));
        const found = verdict(logs, { lost: lost === null ? [] : [lost] }, day(2 * Math.max(0, list.length - 1)));
        if (found.plateau === null) return;
        expect(list.length).toBeGreaterThanOrEqual(PLATEAU_PRACTICES);
        expect(found).toMatchObject({ kind: 'stay', moves: false });
        expect(list.slice(-6).every(({ share }) => share >= 0.7)).toBe(true);
      },
    ),
    { seed: 28, numRuns: 400 },
  );
});

test('where a way leads is said as it is played, and what is easier as long as it lasts', () => {
  const goal = { axis: 'time', targetDay: '2026-03-02' } as const;
  const lighter = { lighterEvery: 4, practiceDays: [1, 3] };
  const weeks = [
    { week: 6, day: '2026-02-16', low: 50, middle: 54, high: 60 },
    // A lighter week, and one after the day of the goal, tell nothing of where it leads.
    { week: 7, day: '2026-02-23', low: 30, middle: 32, high: 36 },
    { week: 8, day: '2026-03-09', low: 70, middle: 75, high: 80 },
  ];
  expect(outlookWords(goal, lighter, '2026-02-28', weeks)).toBe(
    'Done in full each time, the goal is reached on Sat 28 Feb. Going on as in the last weeks, about 54 s by Mon 2 Mar (50 s to 1:00 min).',
  );
  expect(outlookWords(goal, lighter, null, [{ ...weeks[0]!, low: 54, high: 54 }])).toBe(
    'Going on as in the last weeks, about 54 s by Mon 2 Mar.',
  );
  expect(outlookWords(goal, lighter, null, [])).toBe('');
  const easier = { from: '2026-01-16', until: '2026-01-29', turned: { ...unturned, kneeBendDeg: 10 } };
  expect(easierWords({ easier }, '2026-01-29')).toBe('bend 10° until Thu 29 Jan; nothing is raised until then.');
  expect(easierWords({ easier }, '2026-01-30')).toBe('');
  expect(easierWords({ easier: null }, '2026-01-30')).toBe('');
});

test('an easier posture is what tires first: arms lower, knees straighter, a hand on the chair, less on one leg', () => {
  const place = (id: string, turned: Partial<Turned> = {}) => {
    const drills = routine([
      segment('a', hold(60, together(1)), { exerciseId: id, turned: { ...unturned, ...turned } }),
    ]);
    const value = plan([strand({ exerciseId: id })]);
    return strandPlaces(value, person({ plans: [value], routines: [drills] })).get('s')!;
  };
  expect(easierPosture(place('wide-rider'))).toHaveProperty('kneeBendDeg');
  expect(easierPosture(place('tree-holding', { shoulderRaiseDeg: 85, kneeBendDeg: 5 }))).toEqual({
    shoulderRaiseDeg: 70,
  });
  expect(easierPosture(place('empty-full', { kneeBendDeg: 5, weightShare: 0.9 }))).toEqual({ weightShare: 0.8 });
  const seated = { ...place('wide-rider') };
  expect(easierPosture({ ...seated, posture: { ...seated.posture, seated: true, shoulderRaiseDeg: 10 } })).toBeNull();
});

test('an exercise is moved before what tires the same, never into a round, and only from where that comes first', () => {
  const own = segment('a', hold(60, together(1)));
  const rider = segment('first', hold(60, together(1)), { exerciseId: 'wide-rider' });
  const loose = segment('loose', hold(60, together(1)), { exerciseId: 'joint-circles' });
  const order = (segments: Parameters<typeof routine>[0]) =>
    earlierIn(routine(segments), 'a', shelf)?.routine.segments.map(({ id }) => id);
  expect(order([loose, rider, own])).toEqual(['loose', 'a', 'first']);
  const inRound = [
    { ...loose, roundId: 'x' },
    { ...rider, roundId: 'x' },
  ];
  expect(order([...inRound, own])).toEqual(['a', 'loose', 'first']);
  expect(order([loose, own, rider])).toBeUndefined();
  expect(order([rider, { ...own, roundId: 'y' }])).toBeUndefined();
  expect(order([rider])).toBeUndefined();
});

test('a weekday that goes worse than another is named once both are known well enough', () => {
  const weeks = [0, 7, 14].flatMap((week) => [
    log(day(week), { lines: [logLine(0.95)] }),
    log(day(week + 4), { lines: [logLine(0.75)] }),
  ]);
  expect(weekdayWords(strand(), weeks)).toEqual([
    'On Monday 95 % of the dose was done on average, on Friday 75 %: other days may suit it better.',
  ]);
  expect(weekdayWords(strand(), weeks.slice(2))).toEqual([]);
  expect(weekdayWords(strand(), practices([0.9, 0.9, 0.9, 0.9, 0.9, 0.9]))).toEqual([]);
});

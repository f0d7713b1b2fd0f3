import fc from 'fast-check';
import { defaultRaiseRule as rule, softSchool } from '../schools';
import { hold, together, eachSide } from '../library/describe';
import { log, logLine, plan, routine, segment, strand, shelf } from '../testing/samples';
import type { PracticeLog } from '../practice/log';
import { axisWords, weekReason } from '../words';
import {
  type Plan,
  axesOf,
  axisValue,
  decide,
  doseOf,
  doseOn,
  dosedRoutine,
  isDue,
  isLighterWeek,
  lockedStrands,
  metShare,
  newStrand,
  planForecast,
  PlanSchema,
  stopReasons,
  verdict,
  weekOf,
  weeksToReach,
  withAxisValue,
} from '.';

describe('growth (check values of the raise model)', () => {
  test('from 60 s to 1200 s with 5, 10 and 20 % a week: 62, 32 and 17 weeks', () => {
    expect([0.05, 0.1, 0.2].map((growth) => weeksToReach(60, 1200, growth))).toEqual([62, 32, 17]);
  });

  test('the count of weeks is the first whose power reaches the target', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: 0, max: 2000 }),
        fc.double({ min: 0.01, max: 0.25, noNaN: true }),
        (start, more, growth) => {
          const weeks = weeksToReach(start, start + more, growth);
          expect(start * (1 + growth) ** weeks).toBeGreaterThanOrEqual((start + more) * (1 - 1e-6));
          if (weeks > 0) expect(start * (1 + growth) ** (weeks - 1)).toBeLessThan(start + more + 1e-6);
        },
      ),
    );
  });

  test('impossible input names the argument', () => {
    expect(() => weeksToReach(0, 10, 0.1)).toThrow('start');
    expect(() => weeksToReach(10, 5, 0.1)).toThrow('target');
    expect(() => weeksToReach(10, 15, 0)).toThrow('growth');
  });

  test('a plan of 1 s steps without lighter weeks takes exactly the weeks of pure growth', () => {
    for (const [growthPerWeek, weeks] of [
      [0.05, 62],
      [0.1, 32],
      [0.2, 17],
    ] as const) {
      const long = plan([strand({ step: 1, target: 1200, targetDay: '2026-01-05' })], {
        growthPerWeek,
        lighterEvery: 0,
      });
      const { weeks: list } = planForecast(long, {
        routine: routine([segment('a', hold(60, together(1)))]),
        sessionsPerWeek: 3,
        locked: new Set(),
        today: long.startsOn,
      })[0]!;
      expect(list).toHaveLength(weeks + 1);
    }
  });
});

const oneHold = routine([segment('a', hold(60, together(1)))]);
const forecastOf = (value: Plan, today = '2026-01-05', locked: string[] = []) =>
  planForecast(value, { routine: oneHold, sessionsPerWeek: 3, locked: new Set(locked), today });
const weeksOf = (value: Plan) => forecastOf(value)[0]!.weeks;

describe('weeks of a plan', () => {
  const value = plan([strand()]);
  const weeks = weeksOf(value);

  test('hand-worked: 60, 65, 70, lighter, 75 …, raises carried until they fill the step of 5 s', () => {
    // 60 · 1.1 = 66, · 1.1 = 72.6, lighter 72.6 · 0.6 = 43.6, then 79.9, 87.8
    expect(weeks.slice(0, 6).map((week) => [week.dose, week.kind])).toEqual([
      [60, 'now'],
      [65, 'raise'],
      [70, 'raise'],
      [40, 'lighter'],
      [75, 'raise'],
      [85, 'raise'],
    ]);
    expect(weeks[1]!.day).toBe('2026-01-12');
  });

  test('a raise smaller than a step is carried and says so', () => {
    const few = strand({ axis: 'repetitions', step: 1, start: 4, level: 4, target: 6 });
    const held = plan([few], { lighterEvery: 0 });
    const kinds = weeksOf(held);
    // 4 · 1.1³ = 5.32, · 1.1⁵ = 6.44 capped at 6
    expect(kinds.slice(0, 6).map((week) => [week.dose, week.kind])).toEqual([
      [4, 'now'],
      [4, 'carry'],
      [4, 'carry'],
      [5, 'raise'],
      [5, 'carry'],
      [6, 'raise'],
    ]);
    expect(weekReason(held, few, kinds[1]!)).toContain('5 repetitions');
  });

  test('says whether the target is in time and when it could be', () => {
    const soon = forecastOf(plan([strand({ targetDay: '2026-02-02' })]))[0]!;
    expect(soon.inTime).toBe(false);
    expect(soon.earliestDay! > '2026-02-02').toBe(true);
    const late = forecastOf(plan([strand({ targetDay: soon.earliestDay! })]))[0]!;
    expect(late).toMatchObject({ inTime: true, earliestDay: soon.earliestDay, doseOnTargetDay: 180 });
  });

  test('a full week is never more than the growth above the last full one, for any plan', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 0, max: 600 }),
        fc.constantFrom(1, 5, 10),
        fc.integer({ min: 0, max: 6 }),
        fc.double({ min: 0.02, max: 0.1, noNaN: true }),
        (start, more, step, lighterEvery, growthPerWeek) => {
          const one = strand({ start, level: start, target: start + more, step });
          const any = plan([one], { lighterEvery, growthPerWeek });
          const full = weeksOf(any).filter((week) => week.kind !== 'lighter');
          full.slice(1).forEach((week, index) => {
            expect(week.level).toBeLessThanOrEqual(full[index]!.level * (1 + growthPerWeek) + 1e-9);
            expect(week.dose).toBeLessThanOrEqual(Math.max(step, week.level + 1e-3));
            expect(Math.abs(week.dose / step - Math.round(week.dose / step))).toBeLessThan(1e-6);
          });
        },
      ),
    );
  });

  test('faster growth is never later', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 60 }), fc.integer({ min: 1, max: 300 }), (start, more) => {
        const one = strand({ start, level: start, target: start + more });
        const count = (growthPerWeek: number): number =>
          weeksOf(plan([one], { growthPerWeek })).findIndex((week) => week.dose >= one.target);
        expect(count(0.1)).toBeLessThanOrEqual(count(0.05));
      }),
    );
  });

  test('a locked strand has no weeks ahead', () => {
    expect(forecastOf(value, '2026-01-05', ['s'])[0]).toMatchObject({
      earliestDay: null,
      inTime: false,
      weeks: [{ kind: 'locked' }],
    });
  });

  test('weeks are counted from the start and every fourth is lighter', () => {
    expect(['2025-12-01', '2026-01-05', '2026-01-11', '2026-01-12'].map((day) => weekOf(value, day))).toEqual([
      0, 0, 0, 1,
    ]);
    expect([0, 1, 2, 3, 4, 7].map((week) => isLighterWeek(value, week))).toEqual([
      false,
      false,
      false,
      true,
      false,
      true,
    ]);
    expect(isLighterWeek({ lighterEvery: 0 }, 3)).toBe(false);
    expect(doseOn(value, strand({ level: 100 }), '2026-01-28')).toBe(60);
  });
});

describe('doses of a plan in the routine', () => {
  const base = routine([segment('a', hold(60, eachSide(2))), segment('b', hold(30, together(1)))]);

  test('replace only what the strand raises', () => {
    const time = plan([strand({ level: 95 })]);
    expect(dosedRoutine(base, time, '2026-01-05').segments[0]).toMatchObject({ dose: { holdSeconds: 95 } });
    expect(dosedRoutine(base, time, '2026-01-05').segments[1]).toEqual(base.segments[1]);
    const count = plan([strand({ axis: 'repetitions', step: 1, level: 3.9 })]);
    const [first] = dosedRoutine(base, count, '2026-01-05').segments;
    expect(first?.type === 'exercise' && axisValue(first.dose, 'repetitions')).toBe(3);
  });

  test('what is read back from an axis is what was put in', () => {
    for (const exercise of shelf.values()) {
      for (const axis of axesOf(exercise.defaultDose)) {
        expect(axisValue(withAxisValue(exercise.defaultDose, axis, 7), axis)).toBe(7);
      }
    }
  });

  test('a new strand starts at the dose of its segment with a step of its size', () => {
    const made = newStrand(
      's',
      segment('a', hold(90, together(1))),
      shelf.get('tree-holding')!,
      'time',
      300,
      '2026-06-01',
    );
    expect(made).toMatchObject({ start: 90, level: 90, step: 10, target: 300, family: 'standing' });
    expect(PlanSchema.safeParse(plan([{ ...made, target: 20 }])).error?.issues[0]?.path).toEqual([
      'strands',
      0,
      'target',
    ]);
  });
});

describe('what counts as met', () => {
  test('the least of all sides, and only up to the first loss of alignment', () => {
    const lines = [logLine(1, { side: 'left' }), logLine(0.8, { side: 'right' })];
    expect(metShare(log('2026-01-05', { lines }), strand())).toBe(0.8);
    expect(metShare(log('2026-01-05', { lines: [logLine(1, { alignmentKept: 0.6 })] }), strand())).toBe(0.6);
    expect(metShare(log('2026-01-05', { lines: [logLine(2)] }), strand())).toBe(1);
    expect(metShare(log('2026-01-05'), strand({ segmentId: 'other' }))).toBeNull();
  });
});

describe('verdict, each rule at its boundary', () => {
  const base = plan([strand()]);
  const judge = (logs = [log('2026-01-06'), log('2026-01-08')], today = '2026-01-08', change = {}, of = base) =>
    verdict(of, { ...of.strands[0]!, ...change }, logs, rule, today);
  const effort = (value: number | null) => [log('2026-01-06'), log('2026-01-08', { effort: value })];
  const met = (one: number, two: number) => [
    log('2026-01-06', { lines: [logLine(one)] }),
    log('2026-01-08', { lines: [logLine(two)] }),
  ];

  test('raise after two met sessions at a bearable effort, and say why not more', () => {
    expect(judge()).toMatchObject({ kind: 'raise', fromDose: 60, toDose: 65, logId: 'log-2026-01-08' });
    expect(judge().level).toBeCloseTo(66, 9);
    expect(judge().reasons.join(' ')).toContain('at most 10 %');
  });

  test('the order in which logs come makes no difference', () => {
    expect(judge([log('2026-01-08'), log('2026-01-06')])).toEqual(judge());
  });

  test('stay when met once, partly met, without effort, or nothing done', () => {
    expect(judge([log('2026-01-08')])).toMatchObject({ kind: 'stay' });
    expect(judge(met(1, 0.9)).reasons[0]).toContain('90 %');
    expect(judge(met(0.9, 1)).reasons[0]).toContain('Met once');
    expect(judge(effort(null))).toMatchObject({ kind: 'stay' });
    expect(judge([])).toMatchObject({ kind: 'stay', logId: null });
  });

  test('effort: 7 raises, 8 stays, 9 eases', () => {
    expect([7, 8, 9].map((value) => judge(effort(value)).kind)).toEqual(['raise', 'stay', 'ease']);
    expect(judge(effort(9)).toDose).toBe(50);
  });

  test('met below 70 % twice eases; once, or at 70 %, it stays', () => {
    expect(judge(met(0.69, 0.69)).kind).toBe('ease');
    expect(judge(met(0.7, 0.69)).kind).toBe('stay');
    expect(judge(met(0.69, 0.7)).kind).toBe('stay');
  });

  test('alignment lost before 70 % twice eases; a loss anywhere forbids a raise', () => {
    const lost = (one: number | null, two: number | null) =>
      judge(
        [one, two].map((alignmentKept, index) =>
          log(`2026-01-0${6 + index}`, { lines: [logLine(1, { alignmentKept })] }),
        ),
      );
    expect(lost(0.69, 0.5)).toMatchObject({ kind: 'ease' });
    expect(lost(0.69, 0.5).reasons[0]).toContain('Alignment');
    expect(lost(0.7, 0.69).kind).toBe('stay');
    expect(lost(null, 0.95).kind).toBe('stay');
  });

  test('gaps: 7 days raise, 8 and 14 stay, 15 and 28 ease, 29 test again', () => {
    const after = (days: number) =>
      judge(undefined, `2026-0${days > 23 ? 2 : 1}-${String(days > 23 ? days - 23 : days + 8).padStart(2, '0')}`);
    expect([7, 8, 14, 15, 28, 29].map((days) => [after(days).kind, after(days).retest])).toEqual([
      ['raise', false],
      ['stay', false],
      ['stay', false],
      ['ease', false],
      ['ease', false],
      ['ease', true],
    ]);
  });

  test('pain from 4, or any sign, stops and locks until it is cleared, also when later practices are good', () => {
    expect(judge([log('2026-01-06'), log('2026-01-08', { pain: 3 })]).kind).toBe('raise');
    const sore = [log('2026-01-06', { pain: 4, painWhere: 'knee' }), log('2026-01-07'), log('2026-01-08')];
    expect(judge(sore)).toMatchObject({ kind: 'stop', fromDose: 60, toDose: 60 });
    expect(judge(sore).reasons.join(' ')).toMatch(/knee.*licensed practitioner/);
    expect(judge([log('2026-01-08', { symptoms: ['chest pain'] })]).kind).toBe('stop');
    expect(judge(sore, '2026-01-08', { clearedAt: '2026-01-06T20:00:00Z' }).kind).toBe('raise');
    expect(stopReasons(strand(), [log('2026-01-08', { symptoms: ['numbness'], pain: 6 })], rule)).toHaveLength(2);
  });

  test('a serious sign stops every strand of the student, in that practice or not; pain only what was done', () => {
    const elsewhere = [logLine(1, { segmentId: 'other' })];
    const kindAfter = (change: Partial<PracticeLog>) =>
      judge([log('2026-01-07', { lines: elsewhere, ...change }), log('2026-01-06')]).kind;
    for (const symptom of ['chest pain', 'faintness', 'numbness', 'something new'] as const) {
      expect(kindAfter({ symptoms: [symptom] })).toBe('stop');
    }
    expect(kindAfter({ pain: 8, painWhere: 'knee' })).not.toBe('stop');
    expect(judge([log('2026-01-07', { pain: 8 })]).kind).toBe('stop');
  });

  test.each(['four-part-breath', 'belly-breathing'])('pain of a joint does not lock %s, a serious sign does', (id) => {
    const seated = strand({ exerciseId: id, family: 'breathing' });
    const both = { lines: [logLine(), logLine(1, { segmentId: 'b', exerciseId: id })] };
    const of = (change: Partial<PracticeLog>) =>
      stopReasons({ ...seated, segmentId: 'b' }, [log('2026-01-07', { ...both, ...change })], rule, shelf);
    expect(of({ pain: 5, painWhere: 'knee' })).toEqual([]);
    expect(of({ pain: 5, symptoms: ['chest pain'] })).toEqual(['Chest pain was noted on 2026-01-07.']);
    expect(
      lockedStrands(
        plan([strand(), { ...seated, id: 't', segmentId: 'b' }]),
        [log('2026-01-07', { ...both, pain: 5 })],
        rule,
        shelf,
      ),
    ).toMatchObject([{ id: 's' }]);
  });

  test('what was entered after the clearing counts by when it was entered', () => {
    const cleared = { clearedAt: '2026-01-08T14:00:00Z' };
    const noon = { startedAt: '2026-01-08T12:00:00Z', pain: 6 };
    expect(judge([log('2026-01-08', noon)], '2026-01-08', cleared).kind).not.toBe('stop');
    expect(judge([log('2026-01-08', { ...noon, enteredAt: '2026-01-08T15:00:00Z' })], '2026-01-08', cleared).kind).toBe(
      'stop',
    );
  });

  test('practices dated after today do not count, hide no gap, and are pointed out', () => {
    const ahead = log('2026-03-01');
    const found = judge([log('2025-12-25'), ahead], '2026-01-08');
    expect(found.reasons[0]).toContain('14 days without practice');
    expect(found.reasons.at(-1)).toBe('One practice is dated after today and does not count yet.');
    expect(judge([log('2026-01-06'), log('2026-01-09')], '2026-01-08').kind).toBe('stay');
  });

  test('without an effort nothing is raised, and none is made up', () => {
    const found = judge([log('2026-01-06', { effort: null }), log('2026-01-08')]);
    expect(found.kind).toBe('stay');
    expect(found.reasons).toEqual(['No effort was noted on 2026-01-06, so nothing is raised.']);
  });

  test('once a week, not in a lighter week, not beyond the target', () => {
    expect(judge(undefined, '2026-01-08', { raisedOn: '2026-01-02' }).kind).toBe('stay');
    expect(judge(undefined, '2026-01-09', { raisedOn: '2026-01-02' }).kind).toBe('raise');
    const lighter = [log('2026-01-26'), log('2026-01-28')];
    expect(judge(lighter, '2026-01-28').reasons[0]).toContain('lighter week');
    expect(judge(undefined, '2026-01-08', { level: 180 }).reasons[0]).toContain('target');
    expect(judge(undefined, '2026-01-08', { level: 178 })).toMatchObject({ kind: 'raise', toDose: 180 });
  });

  test('a raise too small for a step is carried', () => {
    const carried = judge(undefined, '2026-01-08', { step: 30, level: 60 });
    expect(carried).toMatchObject({ kind: 'stay', toDose: 60 });
    expect(carried.level).toBeCloseTo(66, 9);
    expect(carried.reasons[1]).toContain('1:30 min would be 50 % more');
  });

  test('practices before the dose last changed no longer count towards raise or ease', () => {
    expect(judge(undefined, '2026-01-08', { changedAt: '2026-01-07T00:00:00Z' }).reasons[0]).toContain('once');
    expect(judge(met(0.2, 0.2), '2026-01-08', { changedAt: '2026-01-07T00:00:00Z' }).kind).toBe('stay');
  });

  test('the numbers are settings of the school', () => {
    const strict = verdict(base, base.strands[0]!, [log('2026-01-08')], { ...rule, sessionsToRaise: 1 }, '2026-01-08');
    expect(strict.kind).toBe('raise');
    const soft = verdict(base, base.strands[0]!, effort(7), softSchool.raise, '2026-01-08');
    expect(soft.kind).toBe('stay');
  });

  test('never below one step when easing', () => {
    expect(judge(effort(10), '2026-01-08', { level: 5, start: 5 }).toDose).toBe(5);
  });
});

describe('decisions', () => {
  const base = plan([strand(), strand({ id: 'other' })]);
  const logs = [log('2026-01-06'), log('2026-01-08')];
  const now = new Date('2026-01-08T19:00:00');
  const found = verdict(base, base.strands[0]!, logs, rule, '2026-01-08');

  test('accepting moves the level of that strand alone and remembers why', () => {
    const { plan: after, decision } = decide(
      base,
      found,
      { outcome: 'accepted', level: found.level, teacherReason: '' },
      'd',
      now,
    );
    expect(doseOf(after.strands[0]!.level, 5)).toBe(65);
    expect(after.strands[0]).toMatchObject({ raisedOn: '2026-01-08', changedAt: now.toISOString(), clearedAt: null });
    expect(after.strands[1]).toBe(base.strands[1]);
    expect(decision).toMatchObject({
      from: 60,
      to: 65,
      outcome: 'accepted',
      verdict: 'raise',
      logId: 'log-2026-01-08',
    });
    expect(isDue(found, [decision], logs, rule)).toBe(false);
  });

  test('an overruled dose is kept with the reason, and may pass the target', () => {
    const { plan: after, decision } = decide(
      base,
      found,
      { outcome: 'changed', level: 200, teacherReason: 'asked for it' },
      'd',
      now,
    );
    expect(after.strands[0]).toMatchObject({ level: 200, target: 200 });
    expect(decision).toMatchObject({ to: 200, teacherReason: 'asked for it' });
    expect(PlanSchema.safeParse(after).success).toBe(true);
  });

  test('put off changes nothing; clearing takes the lock away', () => {
    const off = decide(base, found, { outcome: 'put off', level: 0.5, teacherReason: '' }, 'd', now);
    expect(off.plan).toEqual(base);
    const sore = [log('2026-01-07', { pain: 6 })];
    const stopped = verdict(base, base.strands[0]!, sore, rule, '2026-01-08');
    expect(isDue(stopped, [], sore, rule)).toBe(true);
    const cleared = decide(
      base,
      stopped,
      { outcome: 'cleared', level: stopped.level, teacherReason: 'seen' },
      'd',
      now,
    ).plan;
    expect(verdict(cleared, cleared.strands[0]!, sore, rule, '2026-01-08').kind).toBe('stay');
  });

  test('a gap comes due again when it grows into the next rule', () => {
    const at = (today: string) => verdict(base, base.strands[0]!, logs, rule, today);
    const answer = decide(
      base,
      at('2026-01-24'),
      { outcome: 'put off', level: 60, teacherReason: '' },
      'd',
      new Date('2026-01-24T10:00:00'),
    ).decision;
    expect(isDue(at('2026-01-23'), [], logs, rule)).toBe(true);
    expect(isDue(at('2026-01-24'), [answer], logs, rule)).toBe(false);
    expect(isDue(at('2026-02-06'), [answer], logs, rule)).toBe(true);
    expect(isDue(at('2026-01-08'), [], [], rule)).toBe(true);
    expect(isDue(at('2026-01-17'), [], logs, rule)).toBe(false);
    expect(isDue(verdict(base, base.strands[0]!, [], rule, '2026-01-08'), [], [], rule)).toBe(false);
  });

  test('reasons of every kind of week read as words', () => {
    const kinds = ['now', 'raise', 'carry', 'held', 'lighter', 'reached', 'locked'] as const;
    const words = kinds.map((kind) =>
      weekReason(base, base.strands[0]!, { week: 0, day: '2026-01-05', dose: 60, level: 60, kind, rail: 'load' }),
    );
    expect(new Set(words).size).toBe(kinds.length);
    expect(words[4]).toContain('every 4th week');
    expect(axisWords(65, 'time')).toBe('1:05 min');
  });
});

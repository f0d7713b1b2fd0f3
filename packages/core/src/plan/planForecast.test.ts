import { dayNumber, dayOfNumber } from '../days/dayNumber';
import type { PlanContext } from './planContext';
import { defaultRaiseRule } from '../schools/builtInSchools';
import { plan, planContext, log, strand, limit } from '../testing/samples';
import { planForecast, type StrandForecast } from './planForecast';

const one = strand({ start: 60, level: 60, target: 90, targetDay: '2026-03-30' });
const told = (value: PlanContext['plan'], change: Partial<PlanContext> = {}, until?: string) =>
  planForecast(planContext(value, change), until);
const lines = ({ weeks }: StrandForecast): string[] =>
  weeks.map(({ week, dose, kind, rail, waitsFor }) =>
    [week, dose, kind, rail, waitsFor].filter((part) => part !== null).join(' '),
  );

// By hand: a tenth a week (60, 66, 72.6, 79.9, 87.8, 90), a fifth-second step downwards, each fourth week two fifths less.
test('a season with a holiday, a frozen week and lighter ones, week by week', () => {
  const value = plan([one], { holidays: [{ from: '2026-01-19', to: '2026-01-25' }], frozenWeeks: [4] });
  const { strands, practiceDays, proven } = told(value);
  expect(lines(strands[0]!)).toEqual([
    '0 60 now',
    '1 65 raise',
    '2 70 holiday',
    '3 40 lighter',
    '4 70 frozen',
    '5 75 raise',
    '6 85 raise',
    '7 50 lighter',
    '8 90 raise',
    '9 90 reached',
    '10 90 reached',
    '11 55 lighter',
    '12 90 reached',
  ]);
  expect(strands[0]!.weeks.slice(0, 3).map(({ day }) => day)).toEqual(['2026-01-05', '2026-01-12', '2026-01-19']);
  expect(strands[0]).toMatchObject({
    strandId: 's',
    earliestDay: '2026-03-02',
    aloneDay: '2026-03-02',
    inTime: true,
    doseOnTargetDay: 90,
    binding: null,
  });
  // Three days a week for thirteen weeks, but for those of the holiday.
  expect(practiceDays).toHaveLength(36);
  expect([practiceDays[0], practiceDays[6], practiceDays.at(-1)]).toEqual(['2026-01-05', '2026-01-26', '2026-04-03']);
  expect(strands[0]!.days.map(({ day }) => day)).toEqual(practiceDays);
  expect(proven).toBe(true);
});

test('a holiday of some days leaves its week to be practised; what saves up is held for a week, then goes up at once', () => {
  const [found] = told(plan([one], { holidays: [{ from: '2026-01-19', to: '2026-01-22' }] })).strands;
  expect(lines(found!).slice(0, 7)).toEqual([
    '0 60 now',
    '1 65 raise',
    '2 75 raise',
    '3 45 lighter',
    '4 75 held',
    '5 90 raise',
    '6 90 reached',
  ]);
  expect(found!.days.filter(({ day }) => day.startsWith('2026-01-2')).map(({ day }) => day)).toEqual([
    '2026-01-23',
    '2026-01-26',
    '2026-01-28',
  ]);
});

test('it is told to the target day, to the day that is asked for, and to where a goal that is farther is reached', () => {
  const near = plan([strand({ start: 60, level: 60, target: 65, targetDay: '2026-01-12' })]);
  expect(told(near).practiceDays.at(-1)).toBe('2026-01-16');
  const until = told(near, {}, '2026-03-01');
  expect(until.practiceDays.at(-1)).toBe('2026-02-27');
  expect(until.strands[0]!.weeks).toHaveLength(2);
  expect(until.strands[0]).toMatchObject({ earliestDay: '2026-01-09', inTime: true, doseOnTargetDay: 65 });
  const [far] = told(plan([strand({ start: 60, level: 60, target: 600, targetDay: '2026-02-01' })])).strands;
  // ln 10 / ln 1.1 are 24.2 rises; with each fourth week lighter that is the 33rd week.
  expect(far!.weeks.at(-1)).toMatchObject({ week: 32, dose: 600, kind: 'raise' });
  expect(far).toMatchObject({
    earliestDay: '2026-08-17',
    inTime: false,
    doseOnTargetDay: 75,
    binding: null,
    aloneDay: '2026-08-17',
  });
});

test('from the middle of a plan it goes on from the week that is', () => {
  const { strands, practiceDays } = told(plan([one]), { today: '2026-01-21' });
  expect(strands[0]!.weeks[0]).toMatchObject({ week: 2, day: '2026-01-19', dose: 60, kind: 'now' });
  expect(practiceDays[0]).toBe('2026-01-21');
  expect(practiceDays.at(-1)).toBe('2026-04-03');
});

test('what the body holds ends it: reached there, never the target, and not in time', () => {
  const [capped] = told(plan([one]), { mostDoses: new Map([['s', limit(75)]]) }).strands;
  expect(lines(capped!).slice(2, 6)).toEqual(['2 70 raise', '3 45 lighter', '4 75 reached', '5 75 reached']);
  expect(capped).toMatchObject({
    earliestDay: null,
    aloneDay: null,
    inTime: false,
    doseOnTargetDay: 75,
    binding: 'strength',
  });
});

test('what is locked is told for its week only, with no day to practise', () => {
  const logs = [log('2026-01-05', { symptoms: ['chest pain'] })];
  const [locked] = told(plan([strand({ level: 68 })]), { logs, today: '2026-01-14' }).strands;
  expect(locked).toEqual({
    strandId: 's',
    weeks: [{ week: 1, day: '2026-01-12', dose: 65, level: 68, kind: 'locked', rail: null, waitsFor: null }],
    days: [],
    earliestDay: null,
    aloneDay: null,
    inTime: false,
    doseOnTargetDay: 65,
    binding: null,
  });
});

test('a strand that waits for another is closed and says why, opens as a rise, and grows from there', () => {
  const value = plan(
    [
      strand({ id: 'first', start: 60, level: 60, target: 80, targetDay: '2026-02-09' }),
      strand({
        id: 'second',
        segmentId: 'b',
        family: 'reeling',
        start: 30,
        level: 30,
        target: 40,
        targetDay: '2026-02-02',
        gate: { strandId: 'first', dose: 70 },
      }),
    ],
    { lighterEvery: 0 },
  );
  const second = told(value).strands[1]!;
  expect(lines(second)).toEqual([
    '0 30 closed gate first',
    '1 30 closed gate first',
    '2 30 raise',
    '3 30 carry',
    '4 35 raise',
    '5 35 carry',
    '6 40 raise',
  ]);
  // It opens when the other one asks for 70, on 19 January; what delays it is its own growth from there.
  expect(second.days[0]!.day).toBe('2026-01-19');
  expect(second).toMatchObject({ earliestDay: '2026-02-16', aloneDay: '2026-02-16', inTime: false, binding: null });
});

describe('where only one of a family may rise in a week', () => {
  const rule = { ...defaultRaiseRule, raisesPerFamily: 1 };
  const first = strand({ id: 'a', start: 60, level: 60, target: 80, targetDay: '2026-02-23' });
  const second = strand({ id: 'b', segmentId: 'b', start: 60, level: 60, target: 80, targetDay: '2026-03-02' });

  test('the one whose day is nearer goes first; the other is held by it, until it is there', () => {
    const [near, far] = told(plan([first, second], { lighterEvery: 0 }), { rule }).strands;
    expect(lines(near!).slice(0, 6)).toEqual([
      '0 60 now',
      '1 65 raise',
      '2 70 raise',
      '3 75 raise',
      '4 80 raise',
      '5 80 reached',
    ]);
    expect(lines(far!)).toEqual([
      '0 60 now',
      '1 60 held family a',
      '2 60 held family a',
      '3 60 held family a',
      '4 65 raise',
      '5 70 raise',
      '6 75 raise',
      '7 80 raise',
      '8 80 reached',
    ]);
    expect(near).toMatchObject({ earliestDay: '2026-01-28', binding: null });
    expect(far).toMatchObject({ earliestDay: '2026-02-23', aloneDay: '2026-01-28', inTime: true, binding: 'family' });
  });

  test('what was in the way in most weeks is what delays it, not what was first', () => {
    const gated = { ...second, gate: { strandId: 'a', dose: 65 } };
    const delayed = told(plan([first, gated], { lighterEvery: 0 }), { rule }).strands[1]!;
    expect(lines(delayed).slice(0, 5)).toEqual([
      '0 60 closed gate a',
      '1 60 closed family a',
      '2 60 closed family a',
      '3 60 closed family a',
      '4 60 raise',
    ]);
    expect(delayed.binding).toBe('family');
  });

  test('what another one keeps from its goal for years is delayed by it', () => {
    const years = { target: 7200, targetDay: '2026-02-02' };
    const never = told(
      plan(
        [
          { ...first, ...years },
          { ...second, ...years },
        ],
        { growthPerWeek: 0.01, lighterEvery: 0 },
      ),
      { rule },
    );
    expect(never.strands[1]).toMatchObject({ earliestDay: null, inTime: false, binding: 'family' });
  });
});

test('a strand that stands at its goal and waits is told until it opens', () => {
  const first = strand({ id: 'first', start: 60, level: 60, target: 80, targetDay: '2026-02-09' });
  const gate = { strandId: 'first', dose: 70 };
  const kept = {
    segmentId: 'b',
    family: 'reeling',
    start: 40,
    level: 40,
    target: 40,
    targetDay: '2026-01-05',
    gate,
  } as const;
  const [, waiting] = told(plan([first, strand({ id: 'kept', ...kept })], { lighterEvery: 0 })).strands;
  expect(lines(waiting!)).toEqual(['0 40 closed gate first', '1 40 closed gate first', '2 40 raise']);
});

test('a plan looks three years ahead, from any of its weeks', () => {
  const far = told(plan([one]), { today: '2026-01-21' }, '2040-01-01').practiceDays.at(-1)!;
  // The Friday of the 156th week from that of 19 January.
  expect(far).toBe('2029-01-12');
});

test('a week is a holiday when each day of practice in it is one, whatever the other days are', () => {
  const on = (day: string, practiceDays: number[]) =>
    told(plan([one], { holidays: [{ from: day, to: day }] }), { practiceDays }).strands[0]!.weeks[2]!.kind;
  expect(on('2026-01-19', [1])).toBe('holiday');
  expect(on('2026-01-23', [5])).toBe('holiday');
  expect(on('2026-01-20', [5])).not.toBe('holiday');
});

test('a goal that years do not reach has no day, is not in time, and is told as far as the plan can go', () => {
  const [never] = told(
    plan([strand({ start: 60, level: 60, target: 7200, targetDay: '2026-02-02' })], {
      growthPerWeek: 0.005,
      lighterEvery: 0,
    }),
  ).strands;
  expect(never).toMatchObject({ earliestDay: null, aloneDay: null, inTime: false, binding: null, doseOnTargetDay: 60 });
  expect(never!.weeks.length).toBeGreaterThan(100);
  expect(never!.weeks.at(-1)!.dose).toBeLessThan(150);
  expect(never!.weeks.some(({ kind }) => kind === 'found')).toBe(false);
});

test('on the very day of a goal it is in time, and that day’s dose is what it has then; behind a gate that never opens it has none', () => {
  const of = (targetDay: string) =>
    planForecast(planContext(plan([strand({ target: 75, targetDay })]), { today: '2026-01-05' })).strands[0]!;
  const { earliestDay } = of('2026-12-31');
  expect(of(earliestDay!)).toMatchObject({ inTime: true, doseOnTargetDay: 75 });
  const before = of(dayOfNumber(dayNumber(earliestDay!) - 1));
  expect(before.inTime).toBe(false);
  expect(before.doseOnTargetDay).toBeLessThan(75);
  const shut = strand({ id: 't', segmentId: 'b', gate: { strandId: 's', dose: 500 } });
  const [, never] = planForecast(planContext(plan([strand({ target: 75 }), shut]))).strands;
  expect(never).toMatchObject({ doseOnTargetDay: 0, earliestDay: null, days: [] });
});

test('a week says what is in its way, though nothing was in the week before', () => {
  const risen = { raisedOn: '2026-01-04', raisedFrom: 55 };
  const value = plan([
    strand({ ...risen, target: 90, targetDay: '2026-06-01' }),
    strand({ ...risen, id: 't', segmentId: 'b', target: 90, targetDay: '2026-03-01' }),
  ]);
  const [far] = told(value, { rule: { ...defaultRaiseRule, raisesPerFamily: 1 } }).strands;
  expect(lines(far!).slice(0, 2)).toEqual(['0 60 now', '1 60 held family t']);
});

test('an ease after a holiday that shows in no dose is told as the same dose, and so is what is found of it', () => {
  const away = { holidays: [{ from: '2026-01-05', to: '2026-02-01' }], lighterEvery: 0 };
  const [saved] = told(plan([strand({ start: 60, level: 62 })], away), {
    logs: [log('2026-01-02')],
    today: '2026-02-02',
  }).strands;
  expect(lines(saved!).slice(0, 3)).not.toContainEqual(expect.stringMatching(/eased|found/));
  const shown = strand({ start: 40, level: 66 });
  const whole = told(plan([shown], { ...away, holidays: [{ from: '2026-01-19', to: '2026-02-08' }] })).strands[0]!;
  expect(whole.weeks.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['eased', 'found']));
});

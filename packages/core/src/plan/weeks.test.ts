import { newStudent } from '../students';
import { softSchool } from '../schools';
import { eachSide, hold, together } from '../library/describe';
import { PlanSchema, type Plan } from '../goals/plan';
import { dosedRoutine, doseOn, lockedStrands, newStrand, planForecast, weekReason, type PlanContext } from '.';
import type { PracticeLog } from '../practice/log';
import { log, plan, planContext, routine, segment, shelf, strand, limit } from '../testing/samples';

const weeks = (value: Plan, change: Partial<PlanContext> = {}) =>
  planForecast(planContext(value, { practiceDays: [1, 3, 5, 6], ...change })).strands[0]!;
const kinds = (value: Plan) => weeks(value).weeks.map((week) => week.kind);

test('a holiday of one day is one, and a target may be where it starts, but not below', () => {
  const reads = (value: Plan) => PlanSchema.safeParse(value).success;
  expect(reads(plan([strand()], { holidays: [{ from: '2026-02-02', to: '2026-02-02' }] }))).toBe(true);
  expect(reads(plan([strand()], { holidays: [{ from: '2026-02-02', to: '2026-02-03' }] }))).toBe(true);
  expect([60, 59].map((target) => reads(plan([strand({ target })])))).toEqual([true, false]);
});

test('a holiday that ends before it begins is refused', () => {
  expect(PlanSchema.safeParse(plan([strand()], { holidays: [{ from: '2026-02-02', to: '2026-02-01' }] })).success).toBe(
    false,
  );
});

test('in a holiday and in a frozen week nothing is raised, and the target comes later', () => {
  const free = weeks(plan([strand()]));
  const away = plan([strand()], { holidays: [{ from: '2026-01-12', to: '2026-01-25' }] });
  const found = weeks(away);
  expect(found.weeks.slice(1, 3).map(({ kind }) => kind)).toEqual(['holiday', 'holiday']);
  expect(found.days.filter(({ day }) => day >= '2026-01-12' && day <= '2026-01-25')).toEqual([]);
  expect(found.earliestDay! > free.earliestDay!).toBe(true);
  expect(kinds(plan([strand()], { frozenWeeks: [1] }))[1]).toBe('frozen');
  expect(weekReason(away, away.strands[0]!, found.weeks[1]!)).toContain('Holiday');
});

test('after a holiday of three weeks it is one rung down, and found again in one step', () => {
  const risen = strand({ start: 40, level: 66 });
  const away = plan([risen], { holidays: [{ from: '2026-01-19', to: '2026-02-08' }], lighterEvery: 0 });
  const { days, weeks: told } = weeks(away);
  const from = days.findIndex(({ day }) => day > '2026-02-08');
  // It left at 72.6, comes back one rung lower, and after two practices it is where it was.
  expect(days.slice(from - 1, from + 3).map(({ dose }) => dose)).toEqual([75, 70, 70, 75]);
  expect(told.find(({ week }) => week === 5)!.kind).toBe('eased');
  expect(told.find(({ week }) => week === 6)!.kind).toBe('found');
});

test('a dose that was overruled is asked for in its week, with the reason, and only then', () => {
  const value = plan([strand({ overrules: [{ week: 2, dose: 40, reason: 'Exams.' }] })]);
  const found = weeks(value);
  expect(found.weeks[2]).toMatchObject({ dose: 40, kind: 'overruled' });
  expect(found.weeks[1]!.dose).toBeGreaterThan(40);
  expect(weekReason(value, value.strands[0]!, found.weeks[2]!)).toBe('Set by you: Exams.');
  expect(doseOn(value, value.strands[0]!, '2026-01-20', [1, 3, 5])).toBe(40);
  expect(doseOn(value, value.strands[0]!, '2026-01-13', [1, 3, 5])).toBe(60);
});

test('a higher dose for one week is no goal reached', () => {
  const value = plan([strand({ target: 75, overrules: [{ week: 1, dose: 90, reason: '' }] })]);
  expect(weeks(value).earliestDay! > '2026-01-19').toBe(true);
});

test('what the body is known to hold is the end of the ladder, and says so', () => {
  const value = plan([strand({ target: 300 })]);
  const found = weeks(value, { mostDoses: new Map([['s', limit(150)]]) });
  expect(Math.max(...found.weeks.map((week) => week.dose))).toBe(150);
  expect(found).toMatchObject({ earliestDay: null, binding: 'strength' });
  expect(weekReason(value, value.strands[0]!, { ...found.weeks.at(-1)!, kind: 'reached' })).toContain(
    'As far as it goes',
  );
  expect(weeks(value, { mostDoses: new Map([['s', limit(400)]]) }).earliestDay).not.toBeNull();
});

test('a full session is the end of the ladder for the goal that is farther', () => {
  const near = strand({ id: 'near', segmentId: 'b', target: 120, targetDay: '2026-03-01' });
  const value = plan([strand({ target: 120 }), near], { sessionMinutes: 3 });
  const [far, first] = planForecast(planContext(value)).strands;
  expect(first!.earliestDay).not.toBeNull();
  expect(far).toMatchObject({ earliestDay: null, binding: 'minutes' });
});

test('of one family no more rise in a week than the school allows, and the other says for whom it waits', () => {
  const value = plan([
    strand({ id: 's1', segmentId: 'a', target: 90, exerciseName: 'The first' }),
    strand({ id: 's2', segmentId: 'b', target: 90, exerciseName: 'The second', targetDay: '2026-03-01' }),
    strand({ id: 's3', segmentId: 'c', family: 'breathing', axis: 'breaths', start: 9, level: 9, target: 12, step: 1 }),
  ]);
  const of = (change: Partial<PlanContext> = {}) => planForecast(planContext(value, change)).strands;
  const rule = { ...planContext(value).rule, raisesPerFamily: 1 };
  const [first, second, third] = of({ rule });
  expect(second!.earliestDay! < first!.earliestDay!).toBe(true);
  expect(second).toMatchObject({ earliestDay: second!.aloneDay, binding: null });
  expect(first).toMatchObject({ binding: 'family', aloneDay: second!.aloneDay });
  const waits = first!.weeks.filter(({ kind }) => kind === 'held');
  expect(waits.map(({ rail, waitsFor }) => [rail, waitsFor])).toContainEqual(['family', 's2']);
  expect(weekReason(value, value.strands[0]!, waits[0]!)).toBe(
    'The same; The second of the same family goes up this week.',
  );
  // Two raises a family and week: nobody waits, and an ordinary wish is a matter of weeks.
  expect(of().map(({ earliestDay, aloneDay }) => earliestDay === aloneDay)).toEqual([true, true, true]);
  expect(third!.binding).toBeNull();
});

test('one minute, then two: in a plan of six strands eleven weeks, not half a year', () => {
  const families = ['standing', 'standing', 'reeling', 'breathing', 'strength', 'stepping'] as const;
  const value = plan(
    families.map((family, index) => strand({ id: `s${index}`, segmentId: `g${index}`, family, step: 10, target: 120 })),
  );
  for (const { earliestDay } of planForecast(planContext(value)).strands)
    expect(earliestDay! <= '2026-03-23').toBe(true);
});

test('a strand behind a gate is not practised before the other has come so far, and opens in a week of its own', () => {
  const first = strand({ id: 'one', target: 90 });
  const second = strand({ id: 'two', segmentId: 'b', family: 'reeling', gate: { strandId: 'one', dose: 90 } });
  const value = plan([first, second]);
  const [one, two] = planForecast(planContext(value)).strands;
  const reached = one!.days.find(({ dose }) => dose >= 90)!.day;
  expect(two!.days[0]!.day > reached).toBe(true);
  expect(two!.weeks[0]).toMatchObject({ kind: 'closed', rail: 'gate', waitsFor: 'one' });
  expect(weekReason(value, second, two!.weeks[0]!)).toBe('Not practised yet: it opens after Holding the tree.');
  expect(two!.days.every(({ dose }) => dose >= 35)).toBe(true);
});

test('the safety points of an exercise hold its new strand', () => {
  const tree = shelf.get('tree-holding')!;
  const made = newStrand('s', segment('a', hold(60, together(1))), tree, 'time', 120, '2026-05-04', softSchool);
  const safety = tree.checkpoints.filter((point) => point.safety).map((point) => point.id);
  expect(safety.length).toBeGreaterThan(0);
  expect(made.heldBy).toEqual(safety);
});

test('a new strand has the sides that are asked for', () => {
  const tree = shelf.get('tree-holding')!;
  const [left, right] = eachSide(2);
  const rows = (amounts: Parameters<typeof hold>[1]) =>
    newStrand('s', segment('a', hold(60, amounts)), tree, 'time', 120, '2026-05-04', softSchool).rows;
  expect(rows([left!, right!])).toHaveLength(2);
  expect(rows([left!, { ...right!, amount: 0 }])).toEqual([{ side: 'left', direction: 'none' }]);
});

test('repetitions rise in the multiple in which the school counts', () => {
  const reeling = shelf.get('one-hand-reeling')!;
  const made = (countsOf: number) =>
    newStrand('s', segment('a', reeling.defaultDose), reeling, 'repetitions', 24, '2026-05-04', { countsOf });
  expect([made(8).step, made(1).step]).toEqual([8, 1]);
  const lighter = plan([{ ...made(8), level: 8 }]);
  expect(doseOn(lighter, lighter.strands[0]!, '2026-01-26', [1, 3, 5])).toBe(8);
});

test('locked strands are those with a sign to stop since they were cleared', () => {
  const [sore, fine] = [strand(), strand({ id: 't', segmentId: 'b', exerciseId: 'belly-breathing' })];
  const logs = [log('2026-01-06', { pain: 4 })];
  expect(lockedStrands(plan([sore, fine]), logs, softSchool.raise, shelf)).toEqual([sore]);
  const cleared = { ...sore, clearedAt: '2026-01-07T00:00:00.000Z' };
  expect(lockedStrands(plan([cleared]), logs, softSchool.raise, shelf)).toEqual([]);
});

test('a locked strand leaves its turn to the others', () => {
  const upright = strand({ id: 's1', exerciseId: 'neutral-stance', target: 90 });
  const both = plan([upright, strand({ id: 's2', segmentId: 'b', target: 90, targetDay: '2026-03-01' })]);
  const rule = { ...planContext(both).rule, raisesPerFamily: 1 };
  const of = (logs: PracticeLog[]) => planForecast(planContext(both, { rule, logs })).strands;
  expect(of([])[0]!.binding).toBe('family');
  // A shoulder locks what raises the arms, and leaves the upright stance alone.
  const sore = log('2026-01-02', { pain: 6, painPlace: 'shoulder', lines: [] });
  const [free, locked] = of([sore]);
  expect(locked!.weeks.map(({ kind }) => kind)).toEqual(['locked']);
  expect(free).toMatchObject({ binding: null, earliestDay: free!.aloneDay });
  expect(free!.earliestDay).not.toBeNull();
});

test('a locked strand is left out of what is practised, and the rest stays as it is', () => {
  const two = routine([segment('a', hold(60, together(1))), segment('b', hold(30, together(1)))]);
  const own = plan([strand({ level: 90 })]);
  const whole = dosedRoutine(two, own, '2026-01-06', [1, 3, 5]).segments;
  expect(whole.map((entry) => entry.id)).toEqual(['a', 'b']);
  expect(dosedRoutine(two, own, '2026-01-06', [1, 3, 5], new Set(['a'])).segments).toEqual([whole[1]]);
});

test('a strand that is not opened yet is left out of what is practised, until it is', () => {
  const two = routine([segment('a', hold(60, together(1))), segment('b', hold(30, together(1)))]);
  const gated = strand({ id: 'later', segmentId: 'b', gate: { strandId: 's', dose: 90 } });
  const ids = (later: typeof gated) =>
    dosedRoutine(two, plan([strand(), later]), '2026-01-06', [1, 3, 5]).segments.map(({ id }) => id);
  expect(ids(gated)).toEqual(['a']);
  expect(ids({ ...gated, openedOn: '2026-01-05' })).toEqual(['a', 'b']);
  // One that had already risen before there were openings has long been open.
  expect(ids({ ...gated, level: 66 })).toEqual(['a', 'b']);
  // A segment with another strand that is open stays.
  const other = strand({ id: 'count', segmentId: 'b', axis: 'repetitions', step: 1, start: 1, level: 1 });
  expect(dosedRoutine(two, plan([strand(), gated, other]), '2026-01-06', [1, 3, 5]).segments).toHaveLength(2);
});

test('a student from before reads with a capacity as tested', () => {
  expect(newStudent('u', 'Ama', 's').capacityFactor).toBe(1);
});

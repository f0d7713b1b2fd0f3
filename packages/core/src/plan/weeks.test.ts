import { newStudent } from '../students';
import type { Correction } from '../corrections';
import { PlanSchema, doseOn, dosedRoutine, lockedStrands, newStrand, planForecast, verdict, type Plan } from '.';
import { softSchool } from '../schools';
import { hold, together } from '../library/describe';
import { weekReason } from '../words';
import { log, logLine, plan, routine, segment, shelf, strand } from '../testing/samples';
import { isHolidayWeek } from './planDay';

const base = routine([segment('a', hold(60, together(1)))]);
const context = { routine: base, sessionsPerWeek: 4, locked: new Set<string>(), today: '2026-01-05' };
const weeks = (value: Plan, change = {}) => planForecast(value, { ...context, ...change })[0]!;
const kinds = (value: Plan) => weeks(value).weeks.map((week) => week.kind);

test('a week is a holiday when most of its days are: four, not three', () => {
  const off = (from: string, to: string) => isHolidayWeek(plan([strand()], { holidays: [{ from, to }] }), 1);
  expect(off('2026-01-12', '2026-01-15')).toBe(true);
  expect(off('2026-01-12', '2026-01-14')).toBe(false);
  expect(PlanSchema.safeParse(plan([strand()], { holidays: [{ from: '2026-02-02', to: '2026-02-01' }] })).success).toBe(
    false,
  );
});

test('in a holiday and in a frozen week nothing is raised, and the target comes later', () => {
  const free = weeks(plan([strand()]));
  const away = plan([strand()], { holidays: [{ from: '2026-01-12', to: '2026-01-25' }] });
  const found = weeks(away);
  expect(found.weeks[1]!.kind).toBe('holiday');
  expect(found.weeks[2]!.kind).toBe('holiday');
  expect(found.weeks[2]!.dose).toBe(found.weeks[0]!.dose);
  expect(found.earliestDay! > free.earliestDay!).toBe(true);
  expect(kinds(plan([strand()], { frozenWeeks: [1] }))[1]).toBe('frozen');
  const words = weekReason(away, away.strands[0]!, found.weeks[1]!);
  expect(words).toContain('Holiday');
});

test('a dose that was overruled is asked for in its week, with the reason, and only then', () => {
  const value = plan([strand({ overrules: [{ week: 2, dose: 40, reason: 'Exams.' }] })]);
  const found = weeks(value);
  expect(found.weeks[2]).toMatchObject({ dose: 40, kind: 'overruled' });
  expect(found.weeks[1]!.dose).toBeGreaterThan(40);
  expect(weekReason(value, value.strands[0]!, found.weeks[2]!)).toBe('Set by you: Exams.');
  expect(doseOn(value, value.strands[0]!, '2026-01-20')).toBe(40);
  expect(doseOn(value, value.strands[0]!, '2026-01-13')).toBe(60);
});

test('the verdict raises nothing in a frozen week', () => {
  const met = ['2026-01-06', '2026-01-08'].map((day) => log(day, { id: day, effort: 4, lines: [logLine(1)] }));
  const judged = (value: Plan) => verdict(value, value.strands[0]!, met, softSchool.raise, '2026-01-09');
  expect(judged(plan([strand()])).kind).toBe('raise');
  const frozen = judged(plan([strand()], { frozenWeeks: [0] }));
  expect(frozen.kind).toBe('stay');
  expect(frozen.reasons[0]).toContain('froze');
});

test('what legs and arms allow is the end of the ladder, and says so', () => {
  const value = plan([strand({ target: 300 })]);
  const found = weeks(value, { mostDoses: new Map([['s', 150]]) });
  expect(Math.max(...found.weeks.map((week) => week.dose))).toBeLessThanOrEqual(150);
  expect(found).toMatchObject({ earliestDay: null, binding: 'capacity' });
  expect(weeks(value, { mostDoses: new Map([['s', 400]]) }).earliestDay).not.toBeNull();
});

test('a strand behind a gate waits for the other', () => {
  const first = strand({ id: 'one', target: 90 });
  const second = strand({ id: 'two', segmentId: 'b', family: 'reeling', gate: { strandId: 'one', dose: 90 } });
  const value = plan([first, second]);
  const both = planForecast(value, {
    ...context,
    routine: routine([...base.segments, segment('b', hold(60, together(1)))]),
  });
  const reached = both[0]!.weeks.find((week) => week.dose >= 90)!.week;
  const raised = both[1]!.weeks.find((week) => week.kind === 'raise')!.week;
  expect(raised).toBeGreaterThan(reached);
});

test('the verdict raises nothing behind a closed gate, and does once it is open', () => {
  const met = ['2026-01-06', '2026-01-08'].map((day) => log(day, { id: day, effort: 4, lines: [logLine(1)] }));
  const gated = strand({ gate: { strandId: 'one', dose: 90 } });
  const judged = (level: number) => {
    const value = plan([strand({ id: 'one', segmentId: 'b', exerciseName: 'Neutral stance', level }), gated]);
    return verdict(value, gated, met, softSchool.raise, '2026-01-09');
  };
  expect(judged(85)).toMatchObject({ kind: 'stay', reasons: ['It opens when Neutral stance is at 1:30 min.'] });
  expect(judged(90).kind).toBe('raise');
});

test('a checkpoint in work holds its strand until a cue has helped, or six weeks have passed', () => {
  const held = strand({ heldBy: ['knees-track'] });
  const logs = ['2026-01-06', '2026-01-08'].map((day) => log(day));
  const seen: Correction = {
    id: 'c',
    studentId: 'u',
    day: '2026-01-07',
    checkpointId: 'knees-track',
    region: 'knees',
    safety: true,
    cue: 'sit back',
    helped: null,
  };
  const kind = (corrections: Correction[], today = '2026-01-09', own = held) =>
    verdict(plan([own]), own, logs, softSchool.raise, today, corrections);
  expect(kind([]).kind).toBe('raise');
  expect(kind([seen])).toMatchObject({ kind: 'stay', moves: false });
  expect(kind([seen]).reasons[0]).toBe(
    'Being worked on: knees (last seen 2026-01-07). Nothing is raised until a cue has helped.',
  );
  expect(kind([{ ...seen, helped: false }]).kind).toBe('stay');
  expect(kind([{ ...seen, helped: true }]).kind).toBe('raise');
  expect(kind([{ ...seen, checkpointId: 'shoulders-hang', region: 'shoulders' }]).kind).toBe('raise');
  expect(kind([seen], '2026-01-09', strand()).kind).toBe('raise');
  expect(kind([{ ...seen, day: '2025-11-28' }], '2026-01-09').kind).toBe('raise');
  expect(kind([{ ...seen, day: '2025-11-29' }], '2026-01-09').kind).toBe('stay');
});

test('the safety points of an exercise hold its new strand', () => {
  const tree = shelf.get('tree-holding')!;
  const made = newStrand('s', segment('a', hold(60, together(1))), tree, 'time', 120, '2026-05-04');
  const safety = tree.checkpoints.filter((point) => point.safety).map((point) => point.id);
  expect(safety.length).toBeGreaterThan(0);
  expect(made.heldBy).toEqual(safety);
});

test('locked strands are those with a sign to stop since they were cleared', () => {
  const [sore, fine] = [strand(), strand({ id: 't', segmentId: 'b' })];
  const logs = [log('2026-01-06', { pain: 4 })];
  expect(lockedStrands(plan([sore, fine]), logs, softSchool.raise)).toEqual([sore]);
  const cleared = { ...sore, clearedAt: '2026-01-07T00:00:00.000Z' };
  expect(lockedStrands(plan([cleared]), logs, softSchool.raise)).toEqual([]);
});

test('a locked strand is left out of what is practised, and the rest stays as it is', () => {
  const two = routine([segment('a', hold(60, together(1))), segment('b', hold(30, together(1)))]);
  const own = plan([strand({ level: 90 })]);
  const whole = dosedRoutine(two, own, '2026-01-06').segments;
  expect(whole.map((entry) => entry.id)).toEqual(['a', 'b']);
  const left = dosedRoutine(two, own, '2026-01-06', new Set(['a'])).segments;
  expect(left).toEqual([whole[1]]);
});

test('a student from before reads with a capacity as tested', () => {
  expect(newStudent('u', 'Ama', 's').capacityFactor).toBe(1);
});

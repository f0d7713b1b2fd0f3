import type { Correction } from '../corrections';
import { LATELY_DAYS } from '../corrections/correction';
import { dayNumber } from '../days/dayNumber';
import { cycle, hold, together } from '../library/describe';
import { dailyLoads } from '../load/studentLoad';
import { recentAgainstUsual } from '../load/practiceLoad';
import type { PracticeLog } from '../practice/log';
import { log, plan, planContext, routine, segment, strand } from '../testing/samples';
import type { Plan, Strand } from '../goals/plan';
import type { PlanContext } from '.';
import { MOST_WEEKS, seasonOfPlan } from './seasonOfPlan';

const today = '2026-01-21';
const problemOf = (strands: Strand[], change: Partial<PlanContext> = {}, value: Partial<Plan> = {}) =>
  seasonOfPlan(planContext(plan(strands, value), { today, ...change })).problem;
/** Two minutes of what is not planned beside a minute of what is. */
const three = routine([segment('other', hold(120, together(1), 0)), segment('a', hold(60, together(1), 0))]);
const reels = segment('b', cycle(6, together(10)));

describe('what a unit weighs', () => {
  test('is its minutes, by the effort that is usual, on each day of practice', () => {
    const [one] = problemOf([strand()], { routine: three }).strands;
    expect(one!.minutesPerUnit).toBeCloseTo(1 / 60, 12);
    expect(one!.loadPerUnit).toBeCloseTo((5 * 3) / 60, 12);
    const [weekly] = problemOf([strand()], { routine: three, practiceDays: [2] }).strands;
    expect(weekly!.loadPerUnit).toBeCloseTo(5 / 60, 12);
    const usual = problemOf([strand()], { routine: three, practiceDays: [] });
    expect(usual.calendar.practiceDays).toEqual([1, 3, 5]);
    expect(usual.strands[0]!.loadPerUnit).toBeCloseTo((5 * 3) / 60, 12);
  });

  test('is that of its own axis: a repetition with what it takes, a hold inside it for each, nothing for a posture', () => {
    const two = routine([segment('a', hold(60, together(3), 0)), reels]);
    const of = (change: Partial<Strand>) => problemOf([strand(change)], { routine: two }).strands[0]!.minutesPerUnit;
    expect(of({})).toBeCloseTo(3 / 60, 12);
    expect(of({ axis: 'repetitions', step: 1, level: 3, start: 3 })).toBeCloseTo(1, 12);
    const turns = { segmentId: 'b', step: 1, level: 10, start: 10 } as const;
    expect(of({ ...turns, axis: 'repetitions' })).toBeCloseTo(0.1, 12);
    expect(of({ ...turns, axis: 'pace' })).toBeCloseTo(10 / 60, 12);
    expect(of({ axis: 'bend', level: 20, start: 20 })).toBe(0);
  });

  test('with what comes before and after left out', () => {
    const settled = routine([segment('a', hold(60, together(1), 0))], { settleSeconds: 30, changeSeconds: 20 });
    expect(problemOf([strand()], { routine: settled }).strands[0]!.minutesPerUnit).toBeCloseTo(1 / 60, 12);
  });

  test('is nothing where its segment or the routine is gone, or a sign has locked it', () => {
    const weighs = (change: Partial<PlanContext>, one = strand()) => {
      const { minutesPerUnit, loadPerUnit } = problemOf([one], { routine: three, ...change }).strands[0]!;
      return [minutesPerUnit, loadPerUnit];
    };
    expect(weighs({}, strand({ segmentId: 'gone' }))).toEqual([0, 0]);
    expect(weighs({ routine: undefined })).toEqual([0, 0]);
    expect(weighs({ logs: [log('2026-01-20', { symptoms: ['faintness'] })] })).toEqual([0, 0]);
    const pauses = routine([
      { type: 'rest', id: 'a', seconds: 30, label: '', roundId: null },
      segment('c', hold(60, together(1))),
    ]);
    expect(weighs({ routine: pauses })).toEqual([0, 0]);
  });

  test('goes by the efforts of eight weeks, of this routine, until today', () => {
    const load = (...logs: PracticeLog[]) =>
      problemOf([strand()], { routine: three, practiceDays: [1], logs }).strands[0]!.loadPerUnit * 60;
    expect(load(log('2026-01-20', { effort: 4 }), log('2026-01-21', { effort: 8 }))).toBeCloseTo(6, 9);
    expect(load(log('2026-01-20', { effort: 4 }), log('2026-01-19', { effort: null }))).toBeCloseTo(4, 9);
    expect(load(log('2026-01-20', { effort: 4 }), log('2026-01-22', { effort: 8 }))).toBeCloseTo(4, 9);
    expect(load(log('2025-11-26', { effort: 4 }))).toBeCloseTo(4, 9);
    expect(load(log('2025-11-25', { effort: 4 }))).toBeCloseTo(5, 9);
    expect(load(log('2026-01-20', { effort: 4, routineId: 'another' }))).toBeCloseTo(5, 9);
  });
});

describe('the rails', () => {
  test('know what the rest of the session takes, and its load', () => {
    const rails = (change: Partial<PlanContext> = {}, one = strand()) => {
      const { baseMinutes, baseLoad } = problemOf([one], { routine: three, ...change }).rails;
      return [baseMinutes, baseLoad].map((value) => Math.round(value * 1e9) / 1e9);
    };
    expect(rails()).toEqual([2, 30]);
    // At a higher level it takes more itself, and the rest stays.
    expect(rails({}, strand({ level: 90 }))).toEqual([2, 30]);
    // What is locked is not practised at all.
    expect(rails({ logs: [log('2026-01-20', { symptoms: ['faintness'] })] })).toEqual([2, 30]);
    expect(rails({ routine: undefined })).toEqual([0, 0]);
  });

  test('have the load of the last weeks for the usual one, of this routine', () => {
    const logs = Array.from({ length: 35 }, (_, ago) => {
      const day = new Date(Date.UTC(2026, 0, 21 - ago)).toISOString().slice(0, 10);
      return log(day, { practisedSeconds: 600 + 10 * ago });
    });
    const { usual } = recentAgainstUsual(dailyLoads(logs, today, 35));
    expect(usual).toBeGreaterThan(0);
    const other = logs.map((entry) => ({ ...entry, id: `x${entry.id}`, routineId: 'another' }));
    expect(problemOf([strand()], { logs: [...logs, ...other] }).rails.usualLoad).toBeCloseTo(usual!, 9);
    expect(problemOf([strand()]).rails.usualLoad).toBe(0);
  });
});

describe('where a strand stood when the week began', () => {
  const before = (change: Partial<Strand>) =>
    problemOf([strand({ start: 40, level: 66, ...change })]).strands[0]!.levelBefore;

  test('is before what rose since its Monday, and with what is only lost', () => {
    expect(before({})).toBe(66);
    expect(before({ raisedOn: '2026-01-19', raisedFrom: 60 })).toBe(60);
    expect(before({ raisedOn: '2026-01-20', raisedFrom: 60 })).toBe(60);
    expect(before({ raisedOn: '2026-01-18', raisedFrom: 60 })).toBe(66);
    expect(before({ raisedOn: '2026-01-20', raisedFrom: null })).toBe(66);
    expect(before({ lost: [80, 72] })).toBe(80);
    expect(before({ lost: [64] })).toBe(66);
    expect(before({ raisedOn: '2026-01-20', raisedFrom: 60, lost: [72] })).toBe(72);
  });

  test('is nowhere while it was closed: until the week after its opening', () => {
    const gate = { strandId: 'gone', dose: 5 };
    expect(before({ gate, level: 40 })).toBe(0);
    expect(before({ gate, openedOn: '2026-01-19' })).toBe(0);
    expect(before({ gate, openedOn: '2026-01-20' })).toBe(0);
    expect(before({ gate, openedOn: '2026-01-18' })).toBe(66);
  });
});

test('a checkpoint holds it as long as a correction is of late, from the latest', () => {
  const seen = (id: string, day: string, checkpointId: string): Correction => ({
    id,
    studentId: 'u',
    day,
    checkpointId,
    region: 'knees',
    safety: true,
    cue: 'sit back',
    helped: null,
    stillId: null,
  });
  const corrections = [seen('x', '2026-01-07', 'knees-track'), seen('y', '2026-01-10', 'heels-down')];
  const until = (heldBy: string[]) => problemOf([strand({ heldBy })], { corrections }).strands[0]!.pointUntil;
  expect(until(['knees-track', 'heels-down'])).toBe(dayNumber('2026-01-10') + LATELY_DAYS);
  expect(until(['knees-track'])).toBe(dayNumber('2026-01-07') + LATELY_DAYS);
  expect(until(['crown'])).toBeLessThan(0);
});

test('a locked strand stands still, a gate without its strand stands open, and what was set stays as it is', () => {
  const locked = problemOf([strand()], { logs: [log('2026-01-20', { symptoms: ['faintness'] })] }).strands[0]!;
  expect(locked).toMatchObject({ pointUntil: Number.POSITIVE_INFINITY, ladder: { target: 60 } });
  const gated = (strandId: string) =>
    problemOf([strand(), strand({ id: 't', segmentId: 'b', gate: { strandId, dose: 70 } })]).strands[1]!.gate;
  expect(gated('s')).toEqual({ strand: 0, dose: 70 });
  expect(gated('gone')).toBeNull();
  const problem = problemOf([strand({ start: 70, target: 50 })], {}, { frozenWeeks: [3], lighterCut: 0.5 });
  expect(problem.strands[0]!.ladder).toMatchObject({ first: 60, target: 60, most: null });
  expect(problem.calendar).toMatchObject({ frozenWeeks: new Set([3]), lighterCut: 0.5, today: dayNumber(today) });
  expect(problem.mostWeeks).toBe(2 + MOST_WEEKS);
});

import * as fc from 'fast-check';
import { breathe, cycle, eachSide, hold, pattern, together, timed } from '../library/describe';
import { ExerciseSchema, builtInExercises } from '../library';
import { anyRoutine, routine, segment } from '../testing/samples';
import { RoutineSchema, timeline } from '.';
import { routineProblem, routineSize } from './routineProblem';

const messages = (value: unknown): string[] =>
  (RoutineSchema.safeParse(value).error?.issues ?? []).map(({ message }) => message);

test('the size is never below what the routine has, in seconds and in parts', () => {
  fc.assert(
    fc.property(anyRoutine, (value) => {
      const [size, built] = [routineSize(value), timeline(value)];
      expect(size.seconds).toBeGreaterThanOrEqual(built.totalMs / 1000 - 0.001 * built.spans.length);
      expect(size.parts).toBeGreaterThanOrEqual(built.spans.length);
    }),
  );
});

test('what nobody can practise is refused in words: many thousand holds, breaths that slow down without end', () => {
  const holds = Array.from({ length: 200 }, (_, at) => segment(`s${at}`, hold(1, together(200), 0)));
  expect(messages(routine(holds))).toEqual([
    'A routine is practised within a day; it has more than 4,000 holds, rounds and rests',
  ]);
  const slowing = (by: number, breaths: number) => routine([segment('b', breathe(breaths, pattern(4, 0, 6, 0), by))]);
  const tooLong = ['A routine is practised within a day; it takes more than 24 h'];
  expect(messages(slowing(1.2, 100))).toEqual(tooLong);
  expect(messages(slowing(1.5, 9999))).toEqual(tooLong);
  expect(messages(slowing(1.02, 100))).toEqual([]);
  // Sides in turn, repetition by repetition: each is a part.
  const inTurn = segment('t', cycle(6, eachSide(2001)), { sideOrder: 'each' });
  expect(messages(routine([inTurn]))).toEqual([
    'A routine is practised within a day; it has more than 4,000 holds, rounds and rests',
  ]);
  expect(messages(routine([{ ...inTurn, sideOrder: 'whole' }]))).toEqual([]);
});

test('rounds count as often as they are gone through; a day is the most', () => {
  const hour = { type: 'rest' as const, id: 'r', seconds: 3600, label: '', roundId: 'x' };
  const times = (count: number) =>
    routineProblem({
      segments: [hour, { ...hour, id: 'q' }],
      rounds: [{ id: 'x', times: count }],
      settleSeconds: 0,
      changeSeconds: 0,
    });
  expect(times(12)).toBeNull();
  expect(times(13)).toBe('A routine is practised within a day; it takes more than 24 h');
});

test('a long day of practice is no problem: three hours of rounds given as time, one hundred holds', () => {
  const value = routine([
    segment('a', timed(600, 6, eachSide(9)), { sideOrder: 'alternating' }),
    segment('b', hold(60, together(100))),
  ]);
  expect(messages(value)).toEqual([]);
});

test('an exercise has the same bounds for its first dose', () => {
  const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
  const said = (times: number) =>
    (ExerciseSchema.safeParse({ ...tree, defaultDose: hold(7200, together(times), 0) }).error?.issues ?? []).map(
      ({ message }) => message,
    );
  expect(said(11)).toEqual([]);
  expect(said(9999)).toEqual(['The first dose is too much: it takes more than 24 h']);
});

import { emptyContents, readBundle, writeBundle } from '../formats';
import { softSchool, strictSchool } from '../schools';
import { plan, routine, strand } from '../testing/samples';
import { doseOf, inCounts } from '.';

const strict = routine([], { schoolId: strictSchool.id });
const counted = (start: number, change = {}) =>
  strand({ axis: 'repetitions', step: 1, start, level: start, target: 40, ...change });
const stepsOf = (value: ReturnType<typeof plan>) => value.strands.map(({ step }) => step);

test('counted strands come to rise in the multiple of their school; holds and breaths stay as they are', () => {
  const value = plan([counted(8), strand(), strand({ axis: 'breaths', step: 1 })]);
  expect(stepsOf(inCounts(value, [strict], [strictSchool]))).toEqual([8, 5, 1]);
  expect(inCounts(value, [routine([])], [softSchool])).toEqual(value);
  // The routine of the plan, not of another one.
  expect(stepsOf(inCounts(value, [{ ...strict, id: 'other' }, routine([])], [strictSchool, softSchool]))).toEqual([
    1, 5, 1,
  ]);
  expect(
    stepsOf(inCounts(plan([counted(6, { level: 16 }), counted(16, { level: 6 })]), [strict], [strictSchool])),
  ).toEqual([1, 1]);
  expect(inCounts(value, [], [strictSchool])).toBe(value);
});

test('no dose changes by it: what has not come to one multiple goes on by ones, and so does what was set otherwise', () => {
  const value = plan([counted(6), counted(16, { level: 19.3 }), counted(8, { step: 2 })]);
  const after = inCounts(value, [strict], [strictSchool]);
  expect(stepsOf(after)).toEqual([1, 8, 2]);
  expect(after.strands.map(({ level }) => level)).toEqual([6, 19.3, 8]);
  expect(doseOf(after.strands[0]!.level, after.strands[0]!.step)).toBe(6);
});

test('a file of an earlier program is read and carried over, with what is new at its beginning', () => {
  const old = plan([counted(8)]);
  const text = writeBundle({ ...emptyContents(), plans: [old], routines: [strict] }, new Date('2026-03-01T10:00:00Z'));
  const since = new Set(['sessionMinutes', 'lost', 'easedOn', 'raisedFrom', 'openedOn', 'rows']);
  const earlier: unknown = JSON.parse(text, (key, value: unknown) => (since.has(key) ? undefined : value));
  const read = readBundle(JSON.stringify(earlier));
  expect(read.ok && read.bundle.contents.plans[0]).toEqual({ ...old, strands: [{ ...old.strands[0]!, step: 8 }] });
});

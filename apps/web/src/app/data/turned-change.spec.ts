import { aRoutine, aStudent } from '../../../testing/records';
import { writers } from './schemas';
import { turnedChange } from './turned-change';

const [before, after] = [aRoutine(), aRoutine({ note: 'noted' })];
const noted = { table: 'routines', id: before.id, before, after } as const;
const undone = (stored: unknown, change: Parameters<typeof turnedChange>[0] = noted) =>
  turnedChange(change, stored, 'after', 'before', writers[change.table]);

test('what stands as it was left goes back whole', () => {
  expect(undone(after)).toEqual({ to: before });
  expect(turnedChange(noted, before, 'before', 'after', writers.routines)).toEqual({ to: after });
});

test('what others wrote in other fields stays', () => {
  expect(undone({ ...after, name: 'Theirs' })).toEqual({ to: { ...before, name: 'Theirs' } });
});

test('a field that was written since is a conflict, and so is a record that is gone or was made', () => {
  expect(undone({ ...after, note: 'theirs' })).toBe('conflict');
  expect(undone(undefined)).toBe('conflict');
  const made = { ...noted, before: undefined };
  expect(undone(after, made)).toEqual({ to: undefined });
  expect(undone({ ...after, name: 'Theirs' }, made)).toBe('conflict');
  const removed = { ...noted, after: undefined };
  expect(undone(undefined, removed)).toEqual({ to: before });
  expect(undone(after, removed)).toBe('conflict');
});

test('a field that was not there is not there again', () => {
  const [plain, more] = [
    { id: 'x', a: 1 },
    { id: 'x', a: 1, b: 2 },
  ];
  const reader = { parse: (value: unknown) => value, safeParse: (data: unknown) => ({ success: true as const, data }) };
  const added = { table: 'routines', id: 'x', before: plain, after: more } as const;
  expect(turnedChange(added, { ...more, a: 9 }, 'after', 'before', reader)).toEqual({ to: { id: 'x', a: 9 } });
});

test('fields that do not go together are no way back', () => {
  // The shank was measured elsewhere at the new stature; at the old one it would be half of the person.
  const [small, tall] = [aStudent({ statureCm: 100 }), aStudent({ statureCm: 190 })];
  const stored = { ...tall, shankCm: 60, thighCm: 60 };
  expect(writers.students.safeParse(stored).success).toBe(true);
  expect(undone(stored, { table: 'students', id: tall.id, before: small, after: tall })).toBe('conflict');
});

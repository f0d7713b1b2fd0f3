import { isCopyDue, type CopyFolder } from './copy-folder-schema';

const copied = (day: string) => ({ day, at: `${day}T09:00:00.000Z`, records: 1, bytes: 1, leftOut: 0, unreadable: 0 });

test.each<[CopyFolder['last'], string | null, boolean]>([
  [null, null, true],
  [copied('2026-03-12'), null, false],
  [copied('2026-03-12'), '2026-03-12T08:00:00.000Z', false],
  [copied('2026-03-12'), '2026-03-12T10:00:00.000Z', true],
  // By a clock that was set wrong: it would be the last one for years.
  [copied('2031-01-01'), '2026-03-12T10:00:00.000Z', true],
])('after %p and a change at %p a copy is due: %p', (last, changed, due) => {
  expect(isCopyDue({ last }, changed, '2026-03-13')).toBe(due);
});

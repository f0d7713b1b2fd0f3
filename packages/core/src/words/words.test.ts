import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { above } from '../testing/above';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import {
  byName,
  clock,
  durationWords,
  parseDuration,
  sources,
  sourcesMarkdown,
  tenMinutes,
  tenMinutesMarkdown,
} from '.';
import { axisWords } from '../axis';
import { doseWords } from '../library';

test('durations read as a teacher would say them', () => {
  expect([45, 60, 150, 3900].map(durationWords)).toEqual(['45 s', '1:00 min', '2:30 min', '1:05:00 h']);
  expect([0, 59.6, 3599, -3].map(clock)).toEqual(['0:00', '1:00', '59:59', '0:00']);
});

test('names stand in the order in which people count', () => {
  const names = ['Group 10', 'group 2', 'Ämne', 'Bel'].map((name) => ({ name }));
  expect(names.toSorted(byName).map(({ name }) => name)).toEqual(['Ämne', 'Bel', 'group 2', 'Group 10']);
});

test('doses in one line', () => {
  expect(doseWords(hold(60, together(1), 0))).toBe('1 hold × 1:00 min');
  expect(doseWords({ ...hold(60, together(1), 20), least: 30 })).toBe('1 hold × 1:00 min, enough from 30 s, 20 s rest');
  expect(doseWords({ ...cycle(4, together(16)), least: 8 })).toBe('16 repetitions, 4 s each, enough from 8');
  // Nothing is left to be told where it is no less than is asked.
  expect(doseWords({ ...cycle(4, together(8)), least: 8 })).toBe('8 repetitions, 4 s each');
  expect(doseWords({ ...hold(30, together(2)), least: 30 })).toBe('2 holds × 30 s, 30 s rest');
  expect(doseWords({ ...cycle(4, together(16)), least: 0 })).toContain('or as long as it feels right');
  expect(doseWords(hold(40, eachSide(2), 20))).toBe('2 holds a side × 40 s, 20 s rest');
  expect(doseWords(cycle(11, eachSideBothWays(8)))).toBe('8 repetitions a side each way, 11 s each');
  expect(doseWords(breathe(12, pattern(4, 4, 6, 2), 1.04))).toBe(
    '12 breaths at 4-4-6-2 (3.75 a minute), each 4 % slower',
  );
  const uneven = cycle(2.5, [
    { side: 'left', direction: 'none', amount: 9 },
    { side: 'right', direction: 'none', amount: 6 },
  ]);
  expect(doseWords(uneven)).toBe('repetitions: 9 left, 6 right, 2.5 s each');
});

test('values of a strand carry their unit', () => {
  expect(axisWords(90, 'time')).toBe('1:30 min');
  expect(axisWords(1, 'breaths')).toBe('1 breath');
  expect(axisWords(12, 'repetitions')).toBe('12 repetitions');
});

test('lengths of time are read in every way a teacher types them', () => {
  const read = ['90', '90 s', '1:30', '1:30 min', '1.5 min', '1,5 min', '1:05:00', '2m', '1 h', ' 45 sec '].map(
    parseDuration,
  );
  expect(read).toEqual([90, 90, 90, 90, 90, 90, 3900, 120, 3600, 45]);
  expect(['', 'long', '1:75', '-3', '1:2', '3 breaths'].map(parseDuration)).toEqual([
    null,
    null,
    null,
    null,
    null,
    null,
  ]);
});

test('what a duration is written as is read back the same', () => {
  for (const seconds of [1, 59, 60, 61, 599, 3599, 3600, 5025]) {
    expect(parseDuration(durationWords(seconds))).toBe(seconds);
  }
});

test('docs/sources.md is the list the Sources page shows', () => {
  const published = readFileSync(above(__dirname, 'docs/sources.md'), 'utf8');
  expect(published).toBe(sourcesMarkdown());
  for (const entry of sources)
    expect(Object.values(entry).every((text: string) => text.length > 10 || text === entry.topic)).toBe(true);
});

test('docs/ten-minutes.md is the tour of the application, and each of its pictures is there', () => {
  expect(readFileSync(above(__dirname, 'docs/ten-minutes.md'), 'utf8')).toBe(tenMinutesMarkdown());
  const pictures = new Set(readdirSync(above(__dirname, 'docs/screenshots')));
  for (const { picture } of tenMinutes) expect(pictures).toContain(`${picture}.png`);
});

test('a comment that sends to the sources names a section there, and none names a document that is not here', () => {
  const root = join(above(__dirname, 'docs/sources.md'), '..', '..');
  const topics = new Set(sources.map(({ topic }) => topic));
  const files = ['packages/core/src', 'apps/web/src', 'scripts', 'e2e'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.(ts|mjs|html)$/.test(file) && !file.includes('node_modules'))
      .map((file) => join(root, folder, file)),
  );
  const named = files.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/^(?: \*|\/\*\*|describe).*\(sources: ([^).:]+)/gm)].flatMap(([, list]) =>
      list!.split('; ').map((topic) =>
        topic
          .split(',')[0]!
          .replace(/\s+\*?\s*/g, ' ')
          .trim(),
      ),
    ),
  );
  expect(named.length).toBeGreaterThan(30);
  expect(named.filter((topic) => !topics.has(topic))).toEqual([]);
});

test('each fault that is named as left (docs/mutants.md) still stands in its file', () => {
  const core = join(above(__dirname, 'docs/sources.md'), '..', '..', 'packages/core');
  const named = JSON.parse(readFileSync(join(core, 'mutants.left.json'), 'utf8')) as {
    file: string;
    reasons: { why: string; faults: { line: string }[] }[];
  }[];
  expect(named.length).toBeGreaterThan(10);
  const gone = named.flatMap(({ file, reasons }) => {
    const lines = new Set(
      readFileSync(join(core, file), 'utf8')
        .split('\n')
        .map((line) => line.replace(/\s+/g, ' ').trim()),
    );
    return reasons.flatMap(({ faults }) =>
      faults.filter(({ line }) => !lines.has(line)).map(({ line }) => `${file}: ${line}`),
    );
  });
  expect(gone).toEqual([]);
});

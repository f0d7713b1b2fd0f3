import { layoutBreathLine } from './breath-line.layout';

const line = (fullness: (seconds: number) => number, now = 0) =>
  layoutBreathLine({ fullness, now, endsAt: 100, behind: 2, ahead: 8, width: 500, height: 100 });

test('a full breath stands high, an empty one low, and time runs to the right', () => {
  expect(line(() => 1).bead.y).toBeLessThan(line(() => 0).bead.y);
  expect(line(() => 1).bead).toEqual({ x: 100, y: 12 });
  expect(line(() => 0).bead.y).toBe(88);
  // Breathing in from now on: the line rises to the right, which is to lower numbers.
  const ys = line((seconds) => seconds / 8)
    .path.match(/[\d.]+ ([\d.]+)/g)!
    .map((pair) => Number(pair.split(' ')[1]));
  expect(ys.at(-1)!).toBeLessThan(ys[60]!);
});

test('before the beginning and after the end the line stays where the breath was', () => {
  const seen: number[] = [];
  line((seconds) => {
    seen.push(seconds);
    return 0.5;
  }, 99);
  expect(Math.max(...seen)).toBe(100);
  expect(Math.min(...seen)).toBeGreaterThanOrEqual(0);
});

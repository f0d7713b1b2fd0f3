import { layoutTerraces, type TerraceInput } from './terraces.layout';

const input = (change: Partial<TerraceInput> = {}): TerraceInput => ({
  strand: { target: 120, start: 60, step: 5 },
  now: 2,
  weeks: [60, 60, 65, 70, 70].map((dose, week) => ({ week, dose, kind: week < 2 ? 'past' : 'raise' })),
  done: [
    { week: 0.5, dose: 60, met: true },
    { week: 1.5, dose: 40, met: false },
  ],
  band: [
    { low: 60, high: 65 },
    { low: 60, high: 75 },
  ],
  beside: [],
  others: [],
  most: null,
  targetWeek: 8,
  widthPx: 700,
  heightPx: 280,
  words: String,
  ...change,
});

test('one terrace a week, side by side, as high as its dose', () => {
  const { shapes, base } = layoutTerraces(input());
  shapes.slice(1).forEach((shape, index) => expect(shape.x).toBeCloseTo(shapes[index]!.x + shape.width, 6));
  expect(shapes[3]!.height / shapes[0]!.height).toBeCloseTo(70 / 60, 6);
  for (const shape of shapes) expect(shape.y + shape.height).toBeCloseTo(base, 6);
  expect(shapes.map((shape) => shape.past)).toEqual([true, true, false, false, false]);
});

test('what was done lies in its week and at its dose; the target stands at its day', () => {
  const drawing = layoutTerraces(input());
  const [met, short] = drawing.dots;
  expect(met!.y).toBeCloseTo(drawing.shapes[0]!.y, 6);
  expect(short!.y).toBeGreaterThan(met!.y);
  expect(drawing.target.x).toBeCloseTo(drawing.shapes[0]!.x + 8.5 * drawing.pxPerWeek, 6);
  expect(drawing.nowX).toBeCloseTo(drawing.shapes[2]!.x, 6);
  expect(drawing.band).toMatch(/^M.*Z$/);
  expect(layoutTerraces(input({ band: [] })).band).toBe('');
});

test('another plan lies over it on the same scale, as far as it is seen', () => {
  const same = layoutTerraces(input({ beside: input().weeks }));
  expect(same.beside).toBe(same.edge);
  expect(layoutTerraces(input()).beside).toBe('');
  const higher = layoutTerraces(
    input({
      beside: [
        { week: 2, dose: 240 },
        { week: 60, dose: 300 },
      ],
    }),
  );
  expect(higher.beside).toMatch(/^M[\d.]+ [\d.]+H[\d.]+$/);
  expect(higher.pxPerUnit).toBeLessThan(layoutTerraces(input()).pxPerUnit);
});

test('everything stays inside, with one week or with a hundred and fifty', () => {
  for (const length of [1, 150]) {
    const weeks = Array.from({ length }, (_, week) => ({ week, dose: 60 + week, kind: 'raise' }));
    const drawing = layoutTerraces(
      input({ weeks, now: 0, targetWeek: length, done: [], strand: { target: 60 + length, start: 60, step: 5 } }),
    );
    for (const shape of drawing.shapes) {
      expect(shape.x).toBeGreaterThanOrEqual(0);
      expect(shape.x + shape.width).toBeLessThanOrEqual(700);
      expect(shape.y).toBeGreaterThanOrEqual(0);
    }
    expect(drawing.ticks.length).toBeLessThan(20);
    expect(JSON.stringify({ ...drawing, most: 0 })).not.toMatch(/null|NaN/);
  }
});

test('doses are written at the foot, one for each run of weeks, inside it and only where there is room', () => {
  const { doses, shapes } = layoutTerraces(input());
  expect(doses.map(({ words }) => words)).toEqual(['60', '65', '70']);
  expect(doses[0]!.x).toBeCloseTo(shapes[0]!.x + shapes[0]!.width, 6);
  const crowded = Array.from({ length: 120 }, (_, week) => ({ week, dose: 60 + week, kind: 'raise' }));
  expect(layoutTerraces(input({ weeks: crowded, now: 0, targetWeek: 120 })).doses).toEqual([]);
});

test('what ends it is a line at its height, said once, and none where it is out of sight', () => {
  const { most, shapes } = layoutTerraces(input({ most: { dose: 70, words: 'legs allow' } }));
  expect(most!.words).toBe('legs allow 70');
  expect(most!.y + 4).toBeCloseTo(shapes[3]!.y, 6);
  expect(layoutTerraces(input({ most: { dose: 900, words: 'legs allow' } })).most).toBeNull();
});

test('another goal lies behind it as a share of its own', () => {
  const other = { target: 60, weeks: [{ week: 2, dose: 60 }] };
  const { others, target } = layoutTerraces(input({ others: [other] }));
  // At its own goal it is as high as the flag.
  expect(Number(/^M[\d.]+ ([\d.]+)H/.exec(others[0]!)![1])).toBeCloseTo(target.y, 0);
});

test('names of rungs keep apart', () => {
  const { rungs } = layoutTerraces(input({ strand: { target: 62, start: 60, step: 1 } }));
  rungs.slice(1).forEach((rung, index) => expect(Math.abs(rung.y - rungs[index]!.y)).toBeGreaterThanOrEqual(14));
});

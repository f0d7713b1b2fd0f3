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
  targetWeek: 8,
  widthPx: 700,
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
    expect(JSON.stringify(drawing)).not.toMatch(/null|NaN/);
  }
});

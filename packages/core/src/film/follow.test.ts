import type { Exercise } from '../library/exercise';
import { shelf } from '../testing/samples';
import { drillFilm, smallCamera, type BodyFilm } from '../testing/bodyFilm';
import { Follower, TRUSTED, gather, type Followed } from './follow';
import { grayFrame, likeness, patternOf, squareOf, type GrayFrame } from './grayFrame';
import type { FilmFrom, FilmSpot, MarkName } from './still';

/** Px of a metre where the body stands, for that camera. */
const METRE = 1000 / 3.5;

/** Follows a film to its end, or back to its beginning: how far each believed point went astray at most, m, and how often it was doubted. */
function followed(film: BodyFilm, from: FilmFrom, backwards = false) {
  const order = Array.from({ length: film.frames }, (_, at) => (backwards ? film.frames - 1 - at : at));
  const follower = Follower.begin(film.gray(order[0]!), from, film.truth(order[0]!));
  const astray: Partial<Record<MarkName, number>> = {};
  const doubted: Partial<Record<MarkName, number>> = {};
  const all = new Map<number, Partial<Record<MarkName, Followed>>>();
  for (const frame of order.slice(1)) {
    gather(all, frame, backwards ? -1 : 1, follower.step(film.gray(frame), {}, frame === order.at(-1)));
  }
  for (const [frame, found] of all) {
    for (const [name, { x, y }] of Object.entries(film.truth(frame)) as [MarkName, FilmSpot][]) {
      const { trust, ...spot } = found[name]!;
      if (trust < TRUSTED) doubted[name] = (doubted[name] ?? 0) + 1;
      else astray[name] = Math.max(astray[name] ?? 0, Math.hypot(spot.x - x, spot.y - y) / METRE);
    }
  }
  return { astray, doubted };
}
const worst = (of: Partial<Record<MarkName, number>>): number => Math.max(0, ...Object.values(of));

/** Down and up with hanging arms: nothing passes before the body. */
const { posture, phases, ...rest } = shelf.get('squat-and-bounce')!;
const squat: Exercise = {
  ...rest,
  posture: { ...posture, trunkPitchDeg: 25, shape: null },
  phases: phases.map((part) => ({ ...part, via: [], end: { ...part.end!, shape: null } })),
};

test.each([
  ['square', {}],
  ['tilted, from below', { roll: 4, high: 0.6 }],
  ['from beside', { beside: 0.3, high: 1.05 }],
] as const)('tape on the joints is followed to the half centimetre, the camera %s', (_name, view) => {
  const film = drillFilm(squat, {
    camera: smallCamera({ from: 'right', ...view }),
    cycles: 0.5,
    perCycle: 60,
    taped: true,
  });
  const { astray, doubted } = followed(film, 'right');
  expect(worst(astray)).toBeLessThan(0.005);
  expect(doubted).toEqual({});
});

test('plain cloth is followed to three and a half centimetres where it is believed, backwards as well', () => {
  const film = drillFilm(squat, { camera: smallCamera({ from: 'left' }), cycles: 0.5, perCycle: 60 });
  for (const backwards of [false, true]) {
    const { astray, doubted } = followed(film, 'left', backwards);
    expect(worst(astray)).toBeLessThan(0.035);
    expect(Object.keys(astray)).toHaveLength(9);
    expect(doubted['toe left'] ?? 0).toBe(0);
  }
});

test('hands that cross the body from the front are followed, or doubted, never believed beside their place', () => {
  const film = drillFilm('one-hand-reeling', {
    camera: smallCamera({ from: 'front' }),
    cycles: 0.5,
    perCycle: 90,
    taped: true,
  });
  const { astray, doubted } = followed(film, 'front');
  expect(worst(astray)).toBeLessThan(0.01);
  for (const name of ['ankle left', 'knee left', 'knee right', 'head'] as const) expect(doubted[name] ?? 0).toBe(0);
});

test('hands in plain sleeves that pass before the trunk are doubted, never believed on the cloth behind them', () => {
  const film = drillFilm('cloud-hands-in-place', { camera: smallCamera({ from: 'front' }), cycles: 0.7, perCycle: 60 });
  const { astray, doubted } = followed(film, 'front');
  for (const name of ['wrist left', 'wrist right', 'elbow left', 'elbow right'] as const) {
    // Within the breadth of a sleeve.
    expect(astray[name]).toBeLessThan(0.06);
    expect(doubted[name]).toBeGreaterThan(5);
  }
  for (const name of ['toe left', 'ankle right', 'head'] as const) expect(doubted[name] ?? 0).toBe(0);
});

test('what turns out to have been astray is doubted where it was, to its own side of the way', () => {
  const place = { x: 1, y: 2, trust: 90 };
  const found = new Map([10, 9, 8, 7].map((frame) => [frame, { head: place, 'toe left': place }] as const));
  gather(found, 6, -1, { places: { head: { ...place, trust: 0 }, 'toe left': place }, astray: { head: 3 } });
  expect([...found].map(([frame, { head }]) => [frame, head.trust])).toEqual([
    [10, 90],
    [9, 90],
    [8, 40],
    [7, 40],
    [6, 0],
  ]);
  expect([...found.values()].every((places) => places['toe left'].trust === 90)).toBe(true);
});

describe('a spot on a plain wall', () => {
  const wall = (spot: FilmSpot | null, level = 180): GrayFrame => {
    const data = new Uint8Array(200 * 200).fill(level);
    for (let at = 0; spot !== null && at < data.length; at += 1) {
      const far = Math.hypot((at % 200) - spot.x, Math.floor(at / 200) - spot.y);
      if (far < 7) data[at] = far < 3 ? 250 : 20;
    }
    return { width: 200, height: 200, data };
  };
  const begin = (spot: FilmSpot | null, mark = spot!): Follower => Follower.begin(wall(spot), 'right', { head: mark });
  const head = (found: Partial<Record<MarkName, Followed>>): Followed => found.head!;

  test('is found where it went, in whole and in half steps, and in other light', () => {
    const follower = begin({ x: 100, y: 100 });
    const near = head(follower.step(wall({ x: 112, y: 95 })).places);
    expect([Math.round(near.x), Math.round(near.y)]).toEqual([112, 95]);
    expect(near.trust).toBeGreaterThan(90);
    const dim = head(follower.step(wall({ x: 120, y: 92 }, 120)).places);
    expect(Math.hypot(dim.x - 120, dim.y - 92)).toBeLessThan(1);
  });

  test('that is hidden is doubted, then lost, and found again where it is plainly there', () => {
    const follower = begin({ x: 100, y: 100 });
    const doubts = Array.from({ length: 12 }, () => head(follower.step(wall(null)).places).trust);
    expect(Math.max(...doubts)).toBeLessThan(TRUSTED);
    expect(doubts.at(-1)).toBe(0);
    const again = head(follower.step(wall({ x: 118, y: 104 })).places);
    expect(Math.hypot(again.x - 118, again.y - 104)).toBeLessThan(1);
    expect(again.trust).toBeGreaterThan(TRUSTED);
  });

  test('that leaves the picture is not followed out of it', () => {
    const follower = begin({ x: 188, y: 100 });
    let last = head(follower.step(wall({ x: 194, y: 100 })).places);
    for (const x of [200, 206, 212, 218]) last = head(follower.step(wall({ x, y: 100 })).places);
    expect(last.trust).toBeLessThan(TRUSTED);
  });

  test('a mark where nothing can be told apart is doubted from the first step', () => {
    expect(head(begin(null, { x: 60, y: 60 }).step(wall(null)).places).trust).toBeLessThan(TRUSTED);
  });
});

test('bones hold a point that only slides: on a bar that looks the same all along it stays where its neighbour says', () => {
  const bar = (shift: number): GrayFrame => {
    const data = new Uint8Array(240 * 320).fill(200);
    for (let y = 0; y < 320; y += 1) {
      for (let x = 110 + shift; x < 130 + shift; x += 1)
        data[y * 240 + x] = y > 260 ? 20 + ((y * y * 7 + (x - shift) * (x - shift) * 13) % 60) : 40;
    }
    return { width: 240, height: 320, data };
  };
  const marks = { 'ankle right': { x: 120, y: 270 }, 'knee right': { x: 120, y: 180 } } as const;
  const follower = Follower.begin(bar(0), 'right', marks);
  let found = follower.step(bar(1)).places;
  for (const shift of [2, 4, 6, 8, 9, 10]) found = follower.step(bar(shift)).places;
  expect(Math.abs(found['knee right']!.x - 130)).toBeLessThan(2);
  expect(Math.abs(found['knee right']!.y - 180)).toBeLessThan(3);
  // Where it may have slid it is believed less than a point that is sharp.
  expect(found['knee right']!.trust).toBeLessThan(found['ankle right']!.trust);
});

test('a frame in grey goes by the luma of its colours; likeness is one where it is the same and less beside', () => {
  const { data } = grayFrame([255, 0, 0, 255, 0, 255, 0, 255, 0, 0, 255, 255, 255, 255, 255, 255], 2, 2);
  // ITU-R BT.601: 0.299 R + 0.587 G + 0.114 B.
  for (const [at, luma] of [0.299, 0.587, 0.114, 1].entries()) expect(Math.abs(data[at]! - 255 * luma)).toBeLessThan(2);
  const frame = { width: 40, height: 40, data: Uint8Array.from({ length: 1600 }, (_, at) => (at * at * 31) % 251) };
  const pattern = patternOf(squareOf(frame, 20, 20, 5), 5)!;
  const map = likeness(pattern, squareOf(frame, 20, 20, 7), 2);
  expect(map[12]).toBeCloseTo(1, 4);
  expect(Math.max(...[...map].filter((_, at) => at !== 12))).toBeLessThan(0.9);
  // Between two pixels a square is their mean.
  expect(squareOf(frame, 20.5, 20, 0)[0]).toBeCloseTo((frame.data[820]! + frame.data[821]!) / 2);
});

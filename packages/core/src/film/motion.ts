import savitzkyGolay from 'ml-savitzky-golay';
import { secondsOf, placeOf, type Film, type Marks } from './film';
import { filmFigureKinds, filmFigures, figuresOf } from './figures';
import { curveName } from './filmWords';
import { TRUSTED } from './follow';
import { plainTerms, type StillTerms } from './readStill';
import { middle, pointsOf, sceneOf, type Scene } from './scene';
import { isSideView, markNames, markWords, type FilmSide, type FilmSpot, type MarkName, type Still } from './still';

/** Over so much of a second a track is smoothed. House value: a turn of a slow hand is not rounded off. */
const SMOOTH_SECONDS = 0.4;

/** What is drawn through a film: each figure, and how high the head is. */
export const curveIds = ['head height', ...filmFigures] as const;

/** What is seen of one figure through a film. */
export interface Curve {
  readonly id: (typeof curveIds)[number];
  readonly side: FilmSide | 'both';
  readonly name: string;
  readonly unit: '°' | 'cm' | '%';
  /** By frame; null where it cannot be read. */
  readonly values: readonly (number | null)[];
}

export interface Motion {
  /** Seconds of each frame, of the film. */
  readonly seconds: readonly number[];
  /** Points of each frame that are believed, smoothed, px. */
  readonly marks: readonly Marks[];
  readonly curves: readonly Curve[];
  /** Everything is measured by one scale: the middle of all. */
  readonly cmPerPx: number | null;
}

/** The middle of a list; null of none. */
export function medianOf(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  const sorted = values.toSorted((a, b) => a - b);
  const half = (sorted.length - 1) / 2;
  return (sorted[Math.floor(half)]! + sorted[Math.ceil(half)]!) / 2;
}

/** The least and the most of what is known; null where nothing is. */
export function boundsOf(values: readonly (number | null)[]): readonly [number, number] | null {
  let [least, most] = [Infinity, -Infinity];
  for (const value of values) {
    if (value === null) continue;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  return most < least ? null : [least, most];
}

/** A row of numbers without its holes: straight from edge to edge. */
function bridged(values: readonly (number | null)[]): number[] | null {
  const known = values.flatMap((value, at) => (value === null ? [] : [at]));
  if (known.length === 0) return null;
  let next = 0;
  return values.map((value, at) => {
    if (value !== null) return value;
    while (next < known.length && known[next]! < at) next += 1;
    const [before, after] = [known[next - 1], known[next]];
    if (before === undefined) return values[after!]!;
    if (after === undefined) return values[before]!;
    return values[before]! + ((values[after]! - values[before]!) * (at - before)) / (after - before);
  });
}

/** A row smoothed by Savitzky and Golay’s parabolas (sources: Film); its holes stay holes. */
export function smoothed(values: readonly (number | null)[], perSecond: number): (number | null)[] {
  const whole = bridged(values);
  const half = Math.max(2, Math.round((SMOOTH_SECONDS * perSecond) / 2));
  const windowSize = 2 * half + 1;
  if (whole === null || whole.length < windowSize) return [...values];
  const even = savitzkyGolay(whole, 1, {
    windowSize,
    derivative: 0,
    polynomial: 2,
    pad: 'pre',
    padValue: 'replicate',
  });
  return values.map((value, at) => (value === null ? null : even[at]!));
}

/** The believed points of each frame, smoothed. */
function marksOf(film: Film): Partial<Record<MarkName, FilmSpot>>[] {
  const marks: Partial<Record<MarkName, FilmSpot>>[] = Array.from({ length: film.frames }, () => ({}));
  for (const name of markNames) {
    if (film.tracks[name] === undefined && film.keys.every((key) => key.marks[name] === undefined)) continue;
    const places = marks.map((_, frame) => {
      const place = placeOf(film, frame, name);
      return place === null || place.trust < TRUSTED ? null : place;
    });
    const xs = smoothed(
      places.map((place) => place?.x ?? null),
      film.perSecond,
    );
    const ys = smoothed(
      places.map((place) => place?.y ?? null),
      film.perSecond,
    );
    for (const [frame, spots] of marks.entries()) {
      const [x, y] = [xs[frame] ?? null, ys[frame] ?? null];
      if (x !== null && y !== null) spots[name] = { x, y };
    }
  }
  return marks;
}

/** How high the head is above the ankles, cm. */
function headHeight(scene: Scene): number | null {
  const ankles = (isSideView(scene.from) ? [scene.from] : (['left', 'right'] as const)).map(
    (side): MarkName => `ankle ${side}`,
  );
  if (scene.cmPerPx === null || !scene.has('head', ...ankles)) return null;
  const feet = ankles.map((name) => scene.at(name)).reduce((a, b) => middle(a, b));
  return (scene.at('head').up - feet.up) * scene.cmPerPx;
}

/** A film as the still would be in that frame. */
export const stillIn = (still: Still, marks: Marks, seconds: number): Still => ({
  ...still,
  marks,
  atSeconds: seconds,
});

/** What is seen of each figure through a film, on points smoothed and by one scale. */
export function motionOf(film: Film, still: Still, terms: Pick<StillTerms, 'body' | 'pose'>): Motion {
  const marks = marksOf(film);
  const base = plainTerms(still, terms);
  const scenes = marks.map((spots) => sceneOf(pointsOf({ ...still, marks: spots }), base));
  const cmPerPx = medianOf(scenes.flatMap((scene) => scene.cmPerPx ?? []));
  const measured = scenes.map((scene): Scene => ({ ...scene, cmPerPx }));
  const curves = figuresOf(still.from).flatMap(({ id, side }): Curve[] => {
    const kind = filmFigureKinds[id];
    const of = side === 'both' ? 'right' : side;
    const needs = kind.needs(of, still.from);
    const values = measured.map((scene) =>
      !scene.has(...needs) || (kind.unit === 'cm' && cmPerPx === null) ? null : kind.of(scene, of),
    );
    return [{ id, side, name: curveName({ id, side }), unit: kind.unit, values }];
  });
  const heads = measured.map(headHeight);
  const head: Curve = {
    id: 'head height',
    side: 'both',
    name: `${markWords('head', still.from)} above the ankles`,
    unit: 'cm',
    values: heads,
  };
  return {
    seconds: marks.map((_, frame) => secondsOf(film, frame)),
    marks,
    curves: [head, ...curves].filter(({ values }) => values.some((value) => value !== null)),
    cmPerPx,
  };
}

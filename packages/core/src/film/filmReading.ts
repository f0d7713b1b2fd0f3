import { slipsIn, type Film } from './film';
import { filmCycles, type FilmCycles } from './filmCycles';
import { verdictOrder, type PointSeen } from './judged';
import { medianOf, motionOf, stillIn, type Curve, type Motion } from './motion';
import { readStill, type StillTerms } from './readStill';
import { isSideView, type MarkName, type Still } from './still';

/** A checkpoint in the frame in which it is worst. */
export interface WorstMoment {
  readonly point: PointSeen;
  readonly frame: number;
}

/** How something stayed as it was, cm. */
export interface Kept {
  /** Between the lowest and the highest, without the odd frame. */
  readonly range: number;
  /** From the first cycle to the last, or of what does not go to and fro from the first fifth of the film to the last: sunk where negative. */
  readonly change: number;
}

export interface FilmReading {
  /** The moment of each frame, s of the film. */
  readonly seconds: readonly number[];
  readonly curves: readonly Curve[];
  /** What went to and fro, that which goes furthest first. */
  readonly cycles: readonly FilmCycles[];
  /** Each checkpoint in its worst moment, the worst first. */
  readonly worst: readonly WorstMoment[];
  /** The height of the head; null where it is not seen. */
  readonly height: Kept | null;
  /** How far each ankle came from where it was at first, cm. */
  readonly drift: readonly { readonly name: MarkName; readonly cm: number }[];
}

/** @param starts frames at which a cycle begins */
function keptOf(values: readonly (number | null)[], starts: readonly number[]): Kept | null {
  const known = values.filter((value) => value !== null);
  if (known.length < 10) return null;
  const sorted = known.toSorted((a, b) => a - b);
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))]!;
  const within = (from: number, to: number): number | null =>
    medianOf(values.slice(Math.round(from), Math.round(to)).filter((value) => value !== null));
  // What goes up and down is compared cycle by cycle: where in one a film ends means nothing.
  const [first, last] =
    starts.length > 2
      ? [within(starts[0]!, starts[1]!), within(starts.at(-2)!, starts.at(-1)!)]
      : starts.length > 0
        ? [null, null]
        : [within(0, values.length / 5), within((4 * values.length) / 5, values.length)];
  return { range: at(0.98) - at(0.02), change: first === null || last === null ? 0 : last - first };
}

function driftOf({ marks, cmPerPx }: Motion, from: Still['from']): FilmReading['drift'] {
  if (cmPerPx === null) return [];
  const sides = isSideView(from) ? [from] : (['left', 'right'] as const);
  return sides.flatMap((side) => {
    const name: MarkName = `ankle ${side}`;
    const spots = marks.flatMap((here) => here[name] ?? []);
    if (spots.length < 10) return [];
    const [first] = spots;
    return [{ name, cm: cmPerPx * Math.max(...spots.map(({ x, y }) => Math.hypot(x - first!.x, y - first!.y))) }];
  });
}

/** What a film says: how it moved, what went to and fro, and each checkpoint where it is worst, judged as a still of that moment. */
export function readFilm(film: Film, still: Still, terms: StillTerms): FilmReading {
  const motion = motionOf(film, still, terms);
  // A checkpoint is worst where one of its figures is largest or smallest.
  const frames = new Set<number>();
  for (const { values } of motion.curves) {
    let [low, high] = [-1, -1];
    for (const [frame, value] of values.entries()) {
      if (value === null) continue;
      if (low < 0 || value < values[low]!) low = frame;
      if (high < 0 || value > values[high]!) high = frame;
    }
    if (low >= 0) frames.add(low).add(high);
  }
  const seen = [...frames].flatMap((frame) =>
    readStill(
      stillIn(still, motion.marks[frame]!, motion.seconds[frame]!),
      terms,
      slipsIn(film, frame, still.from),
    ).points.map((point) => ({ point, frame })),
  );
  const worst = terms.checkpoints.flatMap(({ id }): WorstMoment[] => {
    const [first] = seen.filter(({ point }) => point.checkpoint.id === id && point.shown).toSorted(byWorst);
    return first === undefined ? [] : [first];
  });
  const cycles = filmCycles(motion, still.from);
  const starts = (cycles[0]?.starts ?? []).map((at) => (at - film.startSeconds) * film.perSecond);
  return {
    seconds: motion.seconds,
    curves: motion.curves,
    cycles,
    worst: worst.toSorted(byWorst),
    height: keptOf(motion.curves.find(({ id }) => id === 'head height')?.values ?? [], starts),
    drift: driftOf(motion, still.from),
  };
}

const byWorst = (a: WorstMoment, b: WorstMoment): number =>
  verdictOrder.indexOf(a.point.verdict) - verdictOrder.indexOf(b.point.verdict) ||
  (b.point.beyond ?? -Infinity) - (a.point.beyond ?? -Infinity) ||
  a.frame - b.frame;

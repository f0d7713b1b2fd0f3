import { durationWords } from '../words/durationWords';
import { axesOf, axisValue, withAxisValue } from '../axis/doseAxis';
import { defaultStep } from '../axis/defaultStep';
import { fitOptions, type FitOption } from './fit';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { workSeconds } from '../library/repetitions';
import { timesOf } from '../routine/laps';
import { timeline } from '../routine/timeline';

export interface FitWish {
  /** Seconds the routine may take. */
  readonly target: number;
  /** Segments that stay as they are. */
  readonly held: ReadonlySet<string>;
  /** Counts go in multiples of this: 1, 3, 8, 9, 12… */
  readonly countMultiple: number;
  /** The longest a segment's hold may last, in s, by segment id: reserve of legs and arms above the school's budget. */
  readonly longestHold: ReadonlyMap<string, number>;
}
export type RoutineFit =
  | { readonly ok: true; readonly routine: Routine; readonly seconds: number; readonly cost: number }
  | { readonly ok: false; readonly reason: string; readonly overBy: number };

interface Choice extends FitOption {
  readonly value: number;
}

/** A dose may shrink to a half and grow to double of what it is. */
const LEAST_SHARE = 0.5;
const MOST_SHARE = 2;

const workOf = (segment: ExerciseSegment, times: number): number =>
  times * segment.dose.amounts.reduce((sum, row) => sum + workSeconds(segment.dose, row.amount), 0);

const whole = (seconds: number): number => Math.ceil(seconds - 1e-6);

function choices(segment: ExerciseSegment, times: number, wish: FitWish): Choice[] {
  const axis = axesOf(segment.dose)[0]!;
  const ideal = axisValue(segment.dose, axis);
  const step = axis === 'time' ? defaultStep('time', ideal, { countsOf: wish.countMultiple }) : wish.countMultiple;
  const longest =
    axis === 'time' ? (wish.longestHold.get(segment.id) ?? Number.POSITIVE_INFINITY) : Number.POSITIVE_INFINITY;
  // Where the body allows less than there is, the last step within it.
  const within = longest >= ideal ? ideal : Math.max(1, Math.floor(longest / step) * step || Math.floor(longest));
  const values = new Set<number>([within]);
  // Sides that are unequal on purpose keep their own counts.
  const counts = new Set(segment.dose.amounts.map(({ amount }) => amount).filter((amount) => amount > 0));
  if (axis !== 'time' && counts.size > 1) return [{ value: ideal, seconds: whole(workOf(segment, times)), cost: 0 }];
  for (let value = Math.ceil((ideal * LEAST_SHARE) / step) * step; value <= ideal * MOST_SHARE; value += step) {
    if (value > 0 && value <= longest) values.add(value);
  }
  return [...values].map((value) => {
    const seconds = whole(workOf({ ...segment, dose: withAxisValue(segment.dose, axis, value) }, times));
    return { value, seconds, cost: ideal === 0 ? 0 : ((value - ideal) / ideal) ** 2 };
  });
}

/** Which bound is in the way when even the least of everything is too long. */
function inTheWay(
  free: readonly ExerciseSegment[],
  all: readonly (readonly Choice[])[],
  fixed: number,
  target: number,
): string {
  const least = all.map((options) => Math.min(...options.map((option) => option.seconds)));
  const sum = least.reduce((total, seconds) => total + seconds, 0);
  const over = durationWords(fixed + sum - target);
  if (fixed >= target) {
    return `What is held fixed, with changes and rests, takes ${durationWords(fixed)} alone: over by ${durationWords(fixed - target)} before anything else.`;
  }
  const [largest] = free
    .map((segment, index) => ({ segment, seconds: least[index]! }))
    .toSorted((a, b) => b.seconds - a.seconds);
  const part = free.findIndex((segment) => segment === largest?.segment) + 1;
  return `Even with every dose at its half it is ${over} too long. Fixed parts take ${durationWords(fixed)}; the longest that is left is part ${part} of those that may change, at least ${durationWords(largest?.seconds ?? 0)}.`;
}

/**
 * The routine with its doses chosen so that it comes closest to the target without passing it and
 * stays closest to what it was; equal sides stay equal (sources: Fit to the time). Exact.
 */
export function fitRoutine(routine: Routine, wish: FitWish): RoutineFit {
  const free = routine.segments.filter(
    (segment): segment is ExerciseSegment =>
      segment.type === 'exercise' && !wish.held.has(segment.id) && segment.dose.amounts.some((row) => row.amount > 0),
  );
  const times = timesOf(routine);
  const through = (segment: ExerciseSegment): number => times.get(segment.id) ?? 1;
  const whole = timeline(routine).totalMs / 1000;
  const fixed = whole - free.reduce((sum, segment) => sum + workOf(segment, through(segment)), 0);
  const all = free.map((segment) => choices(segment, through(segment), wish));
  const result = fitOptions(all, Math.max(0, fixed), wish.target);
  if (!result.ok) return { ...result, reason: inTheWay(free, all, Math.max(0, fixed), wish.target) };
  const chosen = new Map(free.map((segment, index) => [segment.id, all[index]![result.chosen[index]!]!.value]));
  const segments = routine.segments.map((segment) => {
    const value = chosen.get(segment.id);
    if (segment.type !== 'exercise' || value === undefined) return segment;
    const axis = axesOf(segment.dose)[0]!;
    return value === axisValue(segment.dose, axis)
      ? segment
      : { ...segment, dose: withAxisValue(segment.dose, axis, value) };
  });
  const fitted = { ...routine, segments };
  return { ok: true, routine: fitted, seconds: timeline(fitted).totalMs / 1000, cost: result.cost };
}

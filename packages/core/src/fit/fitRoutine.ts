import { durationWords } from '../words/durationWords';
import { axesOf, axisValue, withAxisValue } from '../axis/doseAxis';
import { defaultStep } from '../axis/defaultStep';
import { fitOptions, type FitOption } from './fit';
import { landOn } from './landOn';
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
  /** What the segments are called, by id. */
  readonly names?: ReadonlyMap<string, string>;
}
export type RoutineFit =
  | {
      readonly ok: true;
      readonly routine: Routine;
      readonly seconds: number;
      readonly cost: number;
      /** Why it is shorter than was asked; empty where it is not. */
      readonly why: string;
    }
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

function choices(
  segment: ExerciseSegment,
  times: number,
  wish: Pick<FitWish, 'countMultiple' | 'longestHold'>,
): Choice[] {
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

/** The least and the most that the work of a segment may be fitted to, s. */
export function fitRange(
  segment: ExerciseSegment,
  wish: Pick<FitWish, 'countMultiple' | 'longestHold'>,
): [number, number] {
  const seconds = choices(segment, 1, wish).map((choice) => choice.seconds);
  return [Math.min(...seconds), Math.max(...seconds)];
}

const nameIn = ({ names }: FitWish, { id }: Pick<ExerciseSegment, 'id'>): string => names?.get(id) ?? 'an exercise';

/** Which bound is in the way when even the least of everything is too long. */
function tooLong(
  free: readonly ExerciseSegment[],
  all: readonly (readonly Choice[])[],
  fixed: number,
  wish: FitWish,
): string {
  const { target } = wish;
  const least = all.map((options) => Math.min(...options.map((option) => option.seconds)));
  const sum = least.reduce((total, seconds) => total + seconds, 0);
  const over = durationWords(fixed + sum - target);
  if (fixed >= target) {
    return `What stays as it is, with changes and rests, takes ${durationWords(fixed)} alone: over by ${durationWords(fixed - target)} before anything else.`;
  }
  const [largest] = free
    .map((segment, index) => ({ segment, seconds: least[index]! }))
    .toSorted((a, b) => b.seconds - a.seconds);
  const longest =
    largest === undefined
      ? ''
      : ` The longest that is left is ${nameIn(wish, largest.segment)}, ${durationWords(largest.seconds)} at least.`;
  return `Even with every dose halved it is ${over} too long.${longest}`;
}

/** Which bounds are in the way when it stays shorter than was asked: what the body holds, by name, and that doses only double. */
function tooShort(free: readonly ExerciseSegment[], seconds: number, wish: FitWish): string {
  const short = Math.round(wish.target - seconds);
  if (short <= 0) return '';
  const atMost = free.flatMap((segment) => {
    const most = wish.longestHold.get(segment.id) ?? Infinity;
    const asked = axisValue(segment.dose, axesOf(segment.dose)[0]!);
    const bound = segment.dose.kind === 'hold' && most < asked * MOST_SHARE;
    return bound ? [`${nameIn(wish, segment)} is held ${durationWords(Math.floor(most))} at most`] : [];
  });
  const bounds = ['a dose never more than doubles', ...atMost].join('; ');
  return `${durationWords(short)} are left: ${bounds}. Add an exercise, or a rest.`;
}

/**
 * The routine with its doses chosen so that it comes closest to the target without passing it and
 * stays closest to what it was; equal sides stay equal (sources: Fit to the time). Exact. What is left then goes to rests and
 * changes, so that it lands on the second.
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
  if (!result.ok) return { ...result, reason: tooLong(free, all, Math.max(0, fixed), wish) };
  const chosen = new Map(free.map((segment, index) => [segment.id, all[index]![result.chosen[index]!]!.value]));
  const segments = routine.segments.map((segment) => {
    const value = chosen.get(segment.id);
    if (segment.type !== 'exercise' || value === undefined) return segment;
    const axis = axesOf(segment.dose)[0]!;
    return value === axisValue(segment.dose, axis)
      ? segment
      : { ...segment, dose: withAxisValue(segment.dose, axis, value) };
  });
  const fitted = landOn({ ...routine, segments }, wish.target, wish.held, wish.longestHold);
  const seconds = timeline(fitted).totalMs / 1000;
  return { ok: true, routine: fitted, seconds, cost: result.cost, why: tooShort(free, seconds, wish) };
}

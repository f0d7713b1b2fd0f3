import { isTimed } from '../library/dose';
import type { ExerciseSegment, Routine, Segment } from '../routine/routine';
import { timesOf } from '../routine/laps';
import { timeline } from '../routine/timeline';
import { fitOptions, type FitOption } from './fit';

/** Something that may take some seconds more, and how the routine looks with them. */
interface Slack {
  /** How long it is now, s. */
  readonly seconds: number;
  /** It grows by so many seconds at most. */
  readonly most: number;
  /** What a second more of it costs beside one of a rest. */
  readonly weight: number;
  readonly longer: (routine: Routine, seconds: number) => Routine;
}

/** Rests may double; getting ready and changing sides may take half as long again. Our own values. */
const REST_MOST = 1;
const READY_MOST = 0.5;
/** A single hold is stretched by these seconds only where nothing else comes out even, and as little as can be. Our own values. */
const HOLD_MOST = 9;
const HOLD_WEIGHT = 100;

/** Nearer than this to what was asked is worth a few odd seconds, s. Our own value. */
const NEAR = 5;

const replaced = (routine: Routine, id: string, change: (segment: Segment) => Segment): Routine => ({
  ...routine,
  segments: routine.segments.map((segment) => (segment.id === id ? change(segment) : segment)),
});

const restOf = (segment: Segment): Slack[] =>
  segment.type !== 'rest'
    ? []
    : [
        {
          seconds: segment.seconds,
          most: Math.floor(segment.seconds * REST_MOST),
          weight: 1,
          longer: (routine, more) =>
            replaced(routine, segment.id, (entry) =>
              entry.type === 'rest' ? { ...entry, seconds: entry.seconds + more } : entry,
            ),
        },
      ];

const changedDose = (
  routine: Routine,
  id: string,
  change: (segment: ExerciseSegment) => ExerciseSegment['dose'],
): Routine => replaced(routine, id, (entry) => (entry.type === 'exercise' ? { ...entry, dose: change(entry) } : entry));

const betweenHolds = (segment: ExerciseSegment): Slack => ({
  seconds: segment.dose.restSeconds,
  most: Math.floor(segment.dose.restSeconds * REST_MOST),
  weight: 1,
  longer: (routine, more) =>
    changedDose(routine, segment.id, ({ dose }) => ({ ...dose, restSeconds: dose.restSeconds + more })),
});

/** A hold that is held once, which may last a few seconds more. */
function stretched(segment: ExerciseSegment, longest: number): Slack[] {
  const { dose } = segment;
  if (dose.kind !== 'hold' || isTimed(dose)) return [];
  return [
    {
      seconds: dose.holdSeconds,
      most: Math.max(0, Math.min(HOLD_MOST, Math.floor(longest - dose.holdSeconds))),
      weight: HOLD_WEIGHT,
      longer: (routine, more) =>
        changedDose(routine, segment.id, (entry) =>
          entry.dose.kind === 'hold' ? { ...entry.dose, holdSeconds: entry.dose.holdSeconds + more } : entry.dose,
        ),
    },
  ];
}

const aroundExercises = (key: 'settleSeconds' | 'changeSeconds', { [key]: seconds }: Routine): Slack => ({
  seconds,
  most: Math.ceil(seconds * READY_MOST),
  weight: 1,
  longer: (routine, more) => ({ ...routine, [key]: routine[key] + more }),
});

/**
 * A routine that is a little too short, with what is left given to its rests, to getting ready and to changes of side, each by
 * as small a share as can be; only where they do not come out even, to holds that are held once.
 * @param target seconds that it is to take
 * @param held ids of segments whose dose stays
 * @param longestHold how long a hold may last for the body that does it, s, by segment id
 */
export function landOn(
  routine: Routine,
  target: number,
  held: ReadonlySet<string>,
  longestHold: ReadonlyMap<string, number>,
): Routine {
  const total = timeline(routine).totalMs;
  // To the nearest second, as lengths are read.
  const left = Math.round(target - total / 1000);
  if (left <= 0) return routine;
  const times = timesOf(routine);
  const free = routine.segments.filter(
    (segment) => segment.type === 'exercise' && !held.has(segment.id),
  ) as ExerciseSegment[];
  const slacks = [
    ...routine.segments.flatMap(restOf),
    ...free.map(betweenHolds),
    aroundExercises('settleSeconds', routine),
    aroundExercises('changeSeconds', routine),
    ...free
      .filter(({ id, dose }) => times.get(id) === 1 && dose.amounts.reduce((sum, { amount }) => sum + amount, 0) === 1)
      .flatMap((segment) => stretched(segment, longestHold.get(segment.id) ?? Infinity)),
  ];
  const choices = slacks.map(({ seconds, most, weight, longer }) =>
    Array.from({ length: most + 1 }, (_, more) => ({
      more,
      seconds: more === 0 ? 0 : (timeline(longer(routine, more)).totalMs - total) / 1000,
      cost: weight * (more / Math.max(1, seconds)) ** 2,
    })).filter(({ more, seconds: added }) => more === 0 || (Number.isInteger(added) && added > 0 && added <= left)),
  );
  const found = fitOptions(choices satisfies readonly (readonly FitOption[])[], 0, left);
  // Far from the target anyway, it is left as it is.
  if (!found.ok || left - found.total > NEAR) return routine;
  return slacks.reduce((now, { longer }, at) => {
    const { more } = choices[at]![found.chosen[at]!]!;
    return more === 0 ? now : longer(now, more);
  }, routine);
}

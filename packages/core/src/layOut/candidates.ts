import { caredSegment } from '../care/caredRoutine';
import { segmentEffort } from '../endurance/routineEffort';
import type { FindingPerson } from '../findings/finding';
import type { Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { fitRange } from '../fit/fitRoutine';
import { longestHold } from '../limits/axisLimits';
import { workSeconds } from '../library/repetitions';
import { newRoutine, newSegment } from '../routine/commands';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { timeline } from '../routine/timeline';
import type { School } from '../schools/school';
import { LEAST_STRETCH, MOST_STRETCH, type Extent } from './extent';
import { answersWish, layWishes, type LayWish } from './wish';

/** No longer than this is laid out, s: a session of three hours. */
export const MOST_LAID = 10_800;

/** What a routine is laid out for. */
export interface LayAsk {
  /** How long it is, s. */
  readonly seconds: number;
  readonly wishes: readonly LayWish[];
  /** Everybody who does it; a standard body where it is nobody in particular. */
  readonly people: readonly FindingPerson[];
  readonly school: School;
  readonly shelf: ReadonlyMap<string, Exercise>;
  /** Doses that a plan asks for, by exercise: they stay as they are. */
  readonly doses: ReadonlyMap<string, Dose>;
  /** Exercises at which something is being corrected. */
  readonly corrected: ReadonlySet<string>;
  /** Exercises that everybody has learned. */
  readonly known: ReadonlySet<string>;
  /** The exercises of the last practices, the latest first, by id. */
  readonly last: readonly ReadonlySet<string>[];
  /** Whether it is to be like the last one rather than unlike the last two. */
  readonly alike: boolean;
}

/** The parts of a routine, in their order. */
export const layParts = ['loosening', 'middle', 'closing'] as const;
export type LayPart = (typeof layParts)[number];

/** An exercise as it could stand in a routine. */
export interface Candidate {
  /** Its place on the shelf, and the bit that stands for it in a set. */
  readonly at: number;
  readonly bit: bigint;
  readonly exercise: Exercise;
  readonly segment: ExerciseSegment;
  readonly part: LayPart;
  /**
   * With getting ready, changes and rests; its work is what may be more or less. The least of it goes by what a count may be in
   * the school, the most by where everybody's body ends a hold.
   */
  readonly extent: Extent;
  /** 0–10, of the hardest for whom it is hardest. */
  readonly effort: number;
  /** What has to be changed to get from one stance into another. */
  readonly stance: string;
  readonly answers: ReadonlySet<LayWish>;
}

const partOf = ({ family }: Exercise): LayPart =>
  family === 'warm-up' ? 'loosening' : family === 'closing' ? 'closing' : 'middle';

const stanceOf = ({ posture }: Exercise): string =>
  posture.seated ? 'seated' : posture.ahead > 0 ? 'bow' : posture.stanceWidth > 1.2 ? 'wide' : 'plain';

/** The segment as everybody can do it; null where somebody has to do something else. */
function forEverybody(segment: ExerciseSegment, { people, shelf, school }: LayAsk): ExerciseSegment | null {
  let now = segment;
  for (const person of people) {
    if (person.noted.length === 0) continue;
    now = caredSegment(now, person, shelf, school).segment;
    if (now.exerciseId !== segment.exerciseId) return null;
  }
  return now;
}

/** The least and the most that its work can be for everybody, s. */
function workRange(segment: ExerciseSegment, exercise: Exercise, { people, school, shelf }: LayAsk): [number, number] {
  const longest = Math.min(...people.map((person) => longestHold({ segment, exercise, school, person, shelf })));
  return fitRange(segment, {
    countMultiple: school.countsOf,
    longestHold: Number.isFinite(longest) ? new Map([[segment.id, longest]]) : new Map(),
  });
}

/** How hard an exercise is by itself for somebody, 0–10. */
function effortFor(
  segment: ExerciseSegment,
  exercise: Exercise,
  { body, capacity }: FindingPerson,
  { school }: LayAsk,
): number {
  const alone: Routine = { ...newRoutine('alone', 'Alone', school), segments: [segment] };
  return segmentEffort(alone, segment, exercise, body, capacity, school);
}

/** Each exercise of the shelf that everybody can do, in the order of the shelf. */
export function candidatesOf(ask: LayAsk): Candidate[] {
  const { school, shelf, doses, people } = ask;
  return [...shelf.values()].flatMap((exercise, at): Candidate[] => {
    const plain = newSegment(`laid-${at}`, exercise, school);
    const planned = doses.get(exercise.id);
    const segment = forEverybody(planned === undefined ? plain : { ...plain, dose: planned }, ask);
    if (segment === null) return [];
    const alone: Routine = { ...newRoutine('alone', 'Alone', school), segments: [segment] };
    const seconds = timeline(alone).totalMs / 1000;
    const work =
      planned === undefined
        ? segment.dose.amounts.reduce((sum, { amount }) => sum + workSeconds(segment.dose, amount), 0)
        : 0;
    const [leastWork, mostWork] = work === 0 ? [0, 0] : workRange(segment, exercise, ask);
    return [
      {
        at,
        bit: 1n << BigInt(at),
        exercise,
        segment,
        part: partOf(exercise),
        extent: {
          seconds,
          work,
          least: seconds - work + Math.max(LEAST_STRETCH * work, leastWork),
          most: seconds - work + Math.min(MOST_STRETCH * work, mostWork),
        },
        effort: Math.max(0, ...people.map((person) => effortFor(segment, exercise, person, ask))),
        stance: stanceOf(exercise),
        answers: new Set(layWishes.filter((wish) => answersWish(exercise, wish))),
      },
    ];
  });
}

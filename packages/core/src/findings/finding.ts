import type { RoutineEffort } from '../endurance/routineEffort';
import type { Exercise } from '../library/exercise';
import type { Axis } from '../axis/axis';
import type { KnownBody } from '../person/personRecord';
import type { School } from '../schools/school';
import type { ExerciseSegment, Routine } from '../routine/routine';

/** One press that puts a finding right; undone in one step. */
export interface Mend {
  readonly label: string;
  readonly command: (routine: Routine) => Routine;
}

/** What is wrong in a routine: a note, a doubt, or a danger; with its reason and its mends. */
export interface Finding {
  /** Under this name it can be kept on purpose. */
  readonly key: string;
  readonly grade: 'note' | 'doubt' | 'danger';
  /** The segment it is about; null when about the whole. */
  readonly segmentId: string | null;
  readonly text: string;
  readonly reason: string;
  readonly mends: readonly Mend[];
}

/** For whom the routine is. */
export interface FindingPerson extends KnownBody {
  /** Exercises that were practised before, by id; null when it is nobody in particular. */
  readonly learned: ReadonlySet<string> | null;
  /** The doses that the plan asks for now. */
  readonly reached: readonly { readonly segmentId: string; readonly axis: Axis; readonly level: number }[];
}

export interface FindingContext {
  readonly routine: Routine;
  readonly exercises: ReadonlyMap<string, Exercise>;
  readonly school: School;
  readonly person: FindingPerson;
  /** What the simulation said; null while it is not known. */
  readonly effort: RoutineEffort | null;
  readonly newId: () => string;
}

/** An exercise segment with its exercise, its name and its place. */
export interface Part {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  readonly index: number;
}

export const partsOf = ({ routine, exercises }: Pick<FindingContext, 'routine' | 'exercises'>): Part[] =>
  routine.segments.flatMap((segment, index) => {
    if (segment.type !== 'exercise') return [];
    const exercise = exercises.get(segment.exerciseId);
    return exercise === undefined ? [] : [{ segment, exercise, index }];
  });

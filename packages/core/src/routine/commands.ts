import type { Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { secondsOfChange, standsOtherwise } from '../schools/changeOfSide';
import type { School } from '../schools/school';
import { schoolDose } from '../schools/schoolDose';
import { evenOut } from './evenOut';
import type { ExerciseSegment, Routine, Segment, Turned } from './routine';
import { turnedBy } from './turned';

/** Commands on a routine: each takes the plain value and returns a new one; none changes its input. */

/** The routine in another school. Times to take up and to change side that were those of its old school become those of the new one. */
export function inSchool(routine: Routine, from: School, to: School): Routine {
  const time = (key: 'settleSeconds' | 'changeSeconds'): number =>
    routine[key] === from[key] ? to[key] : routine[key];
  return { ...routine, schoolId: to.id, settleSeconds: time('settleSeconds'), changeSeconds: time('changeSeconds') };
}

/** A new, empty routine with the times of its school. */
export function newRoutine(id: string, name: string, school: School): Routine {
  const { settleSeconds, changeSeconds } = school;
  return {
    id,
    name,
    note: '',
    schoolId: school.id,
    settleSeconds,
    changeSeconds,
    segments: [],
    rounds: [],
    room: null,
    keptOnPurpose: [],
  };
}

/** The time of a change of side, where what is told of it takes longer than the school's; else null. */
function changeOf(exercise: Exercise, school: School): number | null {
  const seconds = secondsOfChange(exercise, school);
  return seconds > school.changeSeconds ? seconds : null;
}

/** A segment of an exercise with its default dose as the school gives it, and the school's order of sides. */
export function newSegment(id: string, exercise: Exercise, school: School): ExerciseSegment {
  return {
    type: 'exercise',
    id,
    exerciseId: exercise.id,
    dose: schoolDose(exercise.defaultDose, school, exercise.family),
    // Who has to stand otherwise for each side does one side after the other.
    sideOrder: school.sideOrder === 'each' && standsOtherwise(exercise) ? 'whole' : school.sideOrder,
    startsOnCue: false,
    changeSeconds: changeOf(exercise, school),
    turned: null,
    firmness: null,
    roundId: null,
  };
}

/** Puts a segment in at `index`, or at the end. */
export function insertSegment(routine: Routine, segment: Segment, index = routine.segments.length): Routine {
  return { ...routine, segments: routine.segments.toSpliced(index, 0, segment) };
}

/** Moves the segment at `from` so that it then stands at `to`; places outside the routine are clamped. */
export function moveSegment(routine: Routine, from: number, to: number): Routine {
  const segment = routine.segments[from];
  const last = routine.segments.length - 1;
  const place = Math.max(0, Math.min(last, to));
  if (segment === undefined || place === from) return routine;
  return { ...routine, segments: routine.segments.toSpliced(from, 1).toSpliced(place, 0, segment) };
}

export function removeSegment(routine: Routine, id: string): Routine {
  return { ...routine, segments: routine.segments.filter((segment) => segment.id !== id) };
}

/** Puts a copy under `newId` right behind the segment `id`. */
export function duplicateSegment(routine: Routine, id: string, newId: string): Routine {
  const index = routine.segments.findIndex((segment) => segment.id === id);
  const segment = routine.segments[index];
  return segment === undefined ? routine : insertSegment(routine, { ...segment, id: newId }, index + 1);
}

/** Replaces the segment of the same id. */
export function replaceSegment(routine: Routine, segment: Segment): Routine {
  return { ...routine, segments: routine.segments.map((old) => (old.id === segment.id ? segment : old)) };
}

/** Gives the exercise segment `id` another dose. */
export function setDose(routine: Routine, id: string, dose: Dose): Routine {
  return changeExercise(routine, id, (segment) => ({ ...segment, dose }));
}

/** Evens out the sides and directions of the segment `id`. */
export function evenSegment(routine: Routine, id: string): Routine {
  return changeExercise(routine, id, (segment) => ({ ...segment, dose: evenOut(segment.dose) }));
}

/** Marks a finding as wanted, so that it is no longer pointed out. */
export function keepOnPurpose(routine: Routine, key: string): Routine {
  return { ...routine, keptOnPurpose: [...new Set([...routine.keptOnPurpose, key])] };
}

/** Turns the posture of the segment `id` in part; a turn that leaves everything is taken away. */
export function turnSegment(routine: Routine, id: string, part: Partial<Turned>): Routine {
  return changeExercise(routine, id, (segment) => turnedBy(segment, part));
}

export function changeExercise(
  routine: Routine,
  id: string,
  change: (segment: ExerciseSegment) => ExerciseSegment,
): Routine {
  const segments = routine.segments.map((segment) =>
    segment.id === id && segment.type === 'exercise' ? change(segment) : segment,
  );
  return { ...routine, segments };
}

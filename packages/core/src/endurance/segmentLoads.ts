import type { Body } from '../body/body';
import type { Exercise } from '../library/exercise';
import { isHeld } from '../library/heldSeconds';
import type { ExerciseSegment } from '../routine/routine';
import { segmentDrill } from '../routine/turned';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { keyOf, Remembered } from './remembered';
import { cycleLoads, holdLoads, type BodyLoads } from './drillLoads';

/** What a segment asks of the body, and the posture it is done in. */
export interface SegmentLoads {
  readonly posture: SettledPosture;
  /** One for what is held; evenly through a cycle for what moves. */
  readonly loads: readonly BodyLoads[];
}

/** What the same exercise asks of the same body is worked out once, for so many bodies, schools and postures of each. */
const known = new WeakMap<Exercise, Remembered<SegmentLoads>>();
const MOST_REMEMBERED = 64;

/** What a segment asks of a body, instant by instant (sources: Fatigue and reserve). */
export function segmentLoads(segment: ExerciseSegment, exercise: Exercise, body: Body, school: School): SegmentLoads {
  const drill = segmentDrill(segment, exercise);
  const held = isHeld(exercise, segment.dose);
  const ofExercise = known.get(exercise) ?? new Remembered<SegmentLoads>(MOST_REMEMBERED);
  known.set(exercise, ofExercise);
  const key = [String(held), JSON.stringify(segment.turned), ...[drill.posture, drill.phases, body, school].map(keyOf)];
  return ofExercise.get(key.join('|'), () => {
    const posture = settlePosture(drill.posture, school);
    const loads = held ? [holdLoads(body, posture)] : cycleLoads(body, drill, posture, school);
    return { posture, loads };
  });
}

import type { Body } from '../body/body';
import type { Exercise } from '../library/exercise';
import { isHeld } from '../library/heldSeconds';
import type { ExerciseSegment } from '../routine/routine';
import { segmentDrill } from '../routine/turned';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { cycleLoads, holdLoads, type BodyLoads } from './drillLoads';

/** What a segment asks of the body, and the posture it is done in. */
export interface SegmentLoads {
  readonly posture: SettledPosture;
  /** One for what is held; evenly through a cycle for what moves. */
  readonly loads: readonly BodyLoads[];
}

/** Records are never changed in place: what the same exercise asks of the same body is worked out once. */
const known = new WeakMap<Exercise, Map<string, SegmentLoads>>();
/** So many bodies, schools and postures of one exercise are remembered; then it begins again. */
const MOST_REMEMBERED = 64;

/** What a segment asks of a body, instant by instant (sources: Fatigue and reserve). */
export function segmentLoads(segment: ExerciseSegment, exercise: Exercise, body: Body, school: School): SegmentLoads {
  const drill = segmentDrill(segment, exercise);
  const held = isHeld(exercise, segment.dose);
  const of = known.get(exercise) ?? new Map<string, SegmentLoads>();
  const key = JSON.stringify([held, segment.turned, drill.posture, drill.phases, body, school]);
  const before = of.get(key);
  if (before !== undefined) return before;
  const posture = settlePosture(drill.posture, school);
  const loads = held ? [holdLoads(body, posture)] : cycleLoads(body, drill, posture, school);
  if (of.size >= MOST_REMEMBERED) of.clear();
  known.set(exercise, of.set(key, { posture, loads }));
  return { posture, loads };
}

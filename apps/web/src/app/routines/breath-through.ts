import {
  breathPeriod,
  fullnessAt,
  patternKnots,
  pacesBreath,
  segmentDrill,
  phaseKnots,
  spanRepetition,
  USUAL_REST,
  type Exercise,
  type Routine,
  type School,
} from '@pomek/core';
import type { BreathAt } from '../ui/thread.layout';

/** How full the breath is at any moment of a routine: as the dose says, as the cycle says where the school links the two, or at rest. */
export function breathThrough(
  routine: Routine,
  exercises: ReadonlyMap<string, Exercise>,
  restingBreath: number | null,
  school: School,
): BreathAt {
  const period = 60 / (restingBreath ?? USUAL_REST);
  const rest = patternKnots({
    inSeconds: period * 0.45,
    fullPauseSeconds: 0,
    outSeconds: period * 0.55,
    emptyPauseSeconds: 0,
  });
  const segments = new Map(routine.segments.map((segment) => [segment.id, segment]));
  return (span, seconds) => {
    const segment = segments.get(span.segmentId);
    if (segment?.type !== 'exercise' || span.amount === 0) return null;
    const { dose } = segment;
    if (dose.kind === 'hold' || (dose.kind === 'cycle' && !pacesBreath(school))) return fullnessAt(rest, seconds);
    const into = spanRepetition(span, seconds * 1000).into % 1;
    if (dose.kind === 'breath') return fullnessAt(patternKnots(dose.pattern), into * breathPeriod(dose.pattern));
    const exercise = exercises.get(segment.exerciseId);
    const knots = exercise === undefined ? null : phaseKnots(segmentDrill(segment, exercise).phases, 1);
    return knots === null ? null : fullnessAt(knots, into);
  };
}

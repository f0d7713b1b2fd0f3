import { breathCare } from '../../breath/breathCare';
import { breathPeriod } from '../../breath/breathPeriod';
import { breathRate } from '../../breath/breathRate';
import { axisValue, withAxisValue } from '../../plan/dosedRoutine';
import { conventionsOf } from '../../schools/conventions';
import { axisWords } from '../../words/axisWords';
import { insertSegment, newSegment, setDose } from '../commands';
import { partsOf, type Finding, type FindingContext, type Part } from './finding';

function breaths({ segment, exercise }: Part, context: FindingContext): Finding[] {
  const { dose } = segment;
  if (dose.kind !== 'breath') return [];
  const { restingBreath, conditions } = context.person;
  // The school's own pauses are told as a contradiction; here only what the person's file says.
  const limit = Math.max(conventionsOf(context.school).pauseLimitSeconds, 10);
  const care = breathCare(dose.pattern, restingBreath, limit, conditions);
  if (care.grade === 'fine') return [];
  const { pattern } = dose;
  const unpaused = { ...dose, pattern: { ...pattern, fullPauseSeconds: 0, emptyPauseSeconds: 0 } };
  const mends = [];
  if (pattern.fullPauseSeconds + pattern.emptyPauseSeconds > 0) {
    mends.push({
      label: 'Without pauses',
      command: (routine: FindingContext['routine']) => setDose(routine, segment.id, unpaused),
    });
  }
  if (restingBreath !== null && breathRate(pattern) < restingBreath / 2) {
    const scale = 60 / (restingBreath / 2) / breathPeriod(pattern);
    const part = (seconds: number): number => Math.max(0, Math.floor(seconds * scale * 2) / 2);
    const quicker = {
      ...dose,
      pattern: {
        inSeconds: Math.max(1, part(pattern.inSeconds)),
        fullPauseSeconds: part(pattern.fullPauseSeconds),
        outSeconds: Math.max(1, part(pattern.outSeconds)),
        emptyPauseSeconds: part(pattern.emptyPauseSeconds),
      },
    };
    mends.push({
      label: 'Quicker',
      command: (routine: FindingContext['routine']) => setDose(routine, segment.id, quicker),
    });
  }
  return [
    {
      key: `${segment.id}: breath`,
      grade: care.grade === 'refused' ? 'danger' : 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: ${care.reasons.join(' ')}`,
      reason: 'The breath is never forced; with some conditions it is not held without medical advice.',
      mends,
    },
  ];
}

function prerequisites(context: FindingContext, parts: readonly Part[]): Finding[] {
  const { learned } = context.person;
  if (learned === null) return [];
  return parts.flatMap(({ segment, exercise, index }): Finding[] => {
    const before = new Set(parts.filter((part) => part.index < index).map((part) => part.exercise.id));
    return exercise.prerequisites
      .filter((id) => !learned.has(id) && !before.has(id))
      .flatMap((id): Finding[] => {
        const missing = context.exercises.get(id);
        if (missing === undefined) return [];
        const first = newSegment(context.newId(), missing, context.school);
        return [
          {
            key: `${segment.id}: before it ${id}`,
            grade: 'doubt',
            segmentId: segment.id,
            text: `${exercise.name}: ${context.person.name} has not practised “${missing.name}” yet, which comes before it.`,
            reason: 'Parts first, then joined.',
            mends: [
              { label: `Put “${missing.name}” before it`, command: (routine) => insertSegment(routine, first, index) },
            ],
          },
        ];
      });
  });
}

function ladders(context: FindingContext, parts: readonly Part[]): Finding[] {
  return parts.flatMap(({ segment, exercise }): Finding[] =>
    context.person.reached
      .filter((entry) => entry.segmentId === segment.id && axisValue(segment.dose, entry.axis) > entry.level + 1e-9)
      .map(({ axis, level }) => ({
        key: `${segment.id}: ladder ${axis}`,
        grade: 'doubt',
        segmentId: segment.id,
        text: `${exercise.name}: ${axisWords(axisValue(segment.dose, axis), axis)}, but the ladder of ${context.person.name} is at ${axisWords(level, axis)}.`,
        reason: 'In practice the plan gives its own dose; this one is for a later rung.',
        mends: [
          {
            label: `Down to ${axisWords(level, axis)}`,
            command: (routine) => setDose(routine, segment.id, withAxisValue(segment.dose, axis, level)),
          },
        ],
      })),
  );
}

/** What does not suit the one it is for: breath, pieces not learned, doses not reached. */
export function personFindings(context: FindingContext): Finding[] {
  const parts = partsOf(context);
  return [
    ...parts.flatMap((part) => breaths(part, context)),
    ...prerequisites(context, parts),
    ...ladders(context, parts),
  ];
}

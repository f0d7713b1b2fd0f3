import { breathDoubts, quickenedPattern, SLOW_SHARE, slowedPattern } from '../breath/breathCare';
import { breathRate } from '../breath/breathRate';
import { segmentValue } from '../axis/segmentAxis';
import { conventionsOf } from '../schools/conventions';
import { axisWords } from '../axis/axisWords';
import { insertSegment, newSegment, setDose } from '../routine/commands';
import { setOnAxis } from '../axis/setOnAxis';
import { careFor, type Care } from '../care/care';
import { beyondUsual } from './beyondUsual';
import { partsOf, type Finding, type FindingContext, type Part } from './finding';

/** A breath that would be noticed by anybody: much slower than at rest, or a long pause. */
function breaths({ segment, exercise }: Part, context: FindingContext): Finding[] {
  const { dose } = segment;
  if (dose.kind !== 'breath') return [];
  const { restingBreath } = context.person;
  // The school's own pauses are told as a contradiction; here only what is long for anybody.
  const limit = Math.max(conventionsOf(context.school).pauseLimitSeconds, 10);
  const rounds = Math.max(...dose.amounts.map(({ amount }) => amount));
  const doubts = breathDoubts(slowedPattern(dose.pattern, dose.slowing, rounds), restingBreath, limit);
  if (doubts.length === 0) return [];
  const { pattern } = dose;
  const unpaused = { ...dose, pattern: { ...pattern, fullPauseSeconds: 0, emptyPauseSeconds: 0 } };
  const mends = [];
  if (pattern.fullPauseSeconds + pattern.emptyPauseSeconds > 0) {
    mends.push({
      label: 'Without pauses',
      command: (routine: FindingContext['routine']) => setDose(routine, segment.id, unpaused),
    });
  }
  // What begins well and only ends too slowly stays as it begins.
  if (dose.slowing > 1 && breathDoubts(pattern, restingBreath, limit).length === 0) {
    mends.push({
      label: 'Without slowing',
      command: (routine: FindingContext['routine']) => setDose(routine, segment.id, { ...dose, slowing: 1 }),
    });
  }
  const slowest = restingBreath === null ? null : restingBreath * SLOW_SHARE;
  if (slowest !== null && breathRate(pattern) < slowest) {
    const quicker = { ...dose, slowing: 1, pattern: quickenedPattern(pattern, slowest) };
    mends.push({
      label: 'Quicker',
      command: (routine: FindingContext['routine']) => setDose(routine, segment.id, quicker),
    });
  }
  return [
    {
      key: `${segment.id}: breath`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: ${doubts.join(' ')}`,
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
      .filter(
        (entry) => entry.segmentId === segment.id && segmentValue(segment, exercise, entry.axis) > entry.level + 1e-9,
      )
      .map(({ axis, level }) => ({
        key: `${segment.id}: ladder ${axis}`,
        grade: 'doubt',
        segmentId: segment.id,
        text: `${exercise.name}: ${axisWords(segmentValue(segment, exercise, axis), axis)}, but the plan of ${context.person.name} asks for ${axisWords(level, axis)}.`,
        reason: 'In practice the plan gives its own dose; this one is for later.',
        mends: [
          {
            label: `Down to ${axisWords(level, axis)}`,
            command: (routine) => setOnAxis(routine, segment.id, axis, level),
          },
        ],
      })),
  );
}

/** What the person's file rules out, with the way in which it stays. */
function cared({ segment, exercise }: Part, context: FindingContext): Finding[] {
  const { person, exercises, school } = context;
  const care = (of: typeof segment): Care[] =>
    careFor({ segment: of, exercise, school }, person, [...exercises.values()]);
  return care(segment).map(({ limit, asks, instead }): Finding => ({
    key: `${segment.id}: ${limit.name}${limit.side === null ? '' : ` ${limit.side}`}`,
    grade: 'danger',
    segmentId: segment.id,
    text: `${exercise.name} asks for ${asks}, but ${limit.because} is noted of ${person.name}.`,
    reason: `${limit.rule} The usual caution in class, no diagnosis; a licensed practitioner may say otherwise.`,
    mends: [
      {
        label: `Instead: ${instead}`,
        command: (routine) => ({
          ...routine,
          segments: routine.segments.map((entry) =>
            entry.type !== 'exercise' || entry.id !== segment.id
              ? entry
              : (care(entry).find((one) => one.limit.name === limit.name && one.limit.side === limit.side)?.segment ??
                entry),
          ),
        }),
      },
    ],
  }));
}

/** What does not suit the one it is for: what is noted of a body, breath, pieces not learned, doses not reached. */
export function personFindings(context: FindingContext): Finding[] {
  const parts = partsOf(context);
  return [
    ...parts.flatMap((part) => cared(part, context)),
    ...parts.flatMap((part) => beyondUsual(part, context)),
    ...parts.flatMap((part) => breaths(part, context)),
    ...prerequisites(context, parts),
    ...ladders(context, parts),
  ];
}

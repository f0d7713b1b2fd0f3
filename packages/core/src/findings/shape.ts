import type { Exercise, Family } from '../library/exercise';
import { routineContradictions } from './contradictions';
import { durationWords } from '../words/durationWords';
import { evenSegment, insertSegment, newSegment, removeSegment, replaceSegment, setDose } from '../routine/commands';
import { segmentPosture } from '../routine/turned';
import { splitSegment } from '../routine/groupCommands';
import type { Routine, Segment } from '../routine/routine';
import { timeline } from '../routine/timeline';
import { routineUnevenness, type RoutineUnevenness } from '../routine/routineUnevenness';
import { timesOf } from '../routine/laps';
import { takesTurns } from '../library/sideOrder';
import { secondsOfChange, standsOtherwise } from '../schools/changeOfSide';
import { addTo } from '../routine/addTo';
import { workSeconds } from '../library/repetitions';
import { partsOf, type Finding, type FindingContext, type Mend, type Part } from './finding';

/** Bent from here, legs count as under load; degrees, a house value. */
const BENT = 25;
/** So long under load without loosening is long; s, a house value. */
const LONG_BENT = 600;
/** A rest of this length loosens; s, a house value. */
const LOOSENING_REST = 30;
/** Effort of 10 from which a segment is hard; a house value. */
const HARD = 6;
const SHORT_OF_WORK = 2;

const firstOf = ({ exercises }: FindingContext, ids: readonly string[], family: Family): Exercise | undefined =>
  ids.map((id) => exercises.get(id)).find((found) => found !== undefined) ??
  [...exercises.values()].find((exercise) => exercise.family === family);

function putIn(context: FindingContext, exercise: Exercise | undefined, index: number, where: string): Mend[] {
  if (exercise === undefined) return [];
  const segment = newSegment(context.newId(), exercise, context.school);
  return [{ label: `Put “${exercise.name}” ${where}`, command: (routine) => insertSegment(routine, segment, index) }];
}

/** So much of an exercise, in what it is counted. */
const muchWords = (amount: number, { unit }: RoutineUnevenness): string =>
  unit === 'seconds' ? durationWords(amount) : String(amount);

/** One press that makes an exercise even: where it is done once, every row as much as the most; else the rest of it at its end. */
function evening(context: FindingContext, found: RoutineUnevenness, label: string): Mend[] {
  const id = found.segmentIds.at(-1)!;
  if (found.segmentIds.length === 1) return [{ label, command: (routine) => evenSegment(routine, id) }];
  const segment = context.routine.segments.find((entry) => entry.id === id);
  if (segment?.type !== 'exercise') return [];
  const missing = (found.manyAmount - found.fewAmount) / (timesOf(context.routine).get(id) ?? 1);
  const { dose } = segment;
  const more = Math.max(1, Math.round(found.unit === 'seconds' ? missing / workSeconds(dose, 1) : missing));
  const key = found.what === 'sides' ? 'side' : 'direction';
  const command: Mend['command'] = (routine) => setDose(routine, id, addTo(dose, key, found.few, more));
  return [{ label: `${more} more ${found.few} at its end`, command }];
}

/** What is uneven over the whole routine: done there in one segment and back in a later one is even. */
function sides(context: FindingContext): Finding[] {
  return routineUnevenness(context.routine).flatMap((found): Finding[] => {
    const exercise = context.exercises.get(found.exerciseId);
    if (exercise === undefined || (found.what === 'sides' && !exercise.twoSided)) return [];
    const { what, few, fewAmount, many, manyAmount } = found;
    const segmentId = found.segmentIds.at(-1)!;
    const never = fewAmount === 0;
    if (what === 'sides' && never) {
      return [
        {
          key: `${segmentId}: one side`,
          grade: 'doubt',
          segmentId,
          text: `${exercise.name}: taught on the ${many} and never done on the ${few}.`,
          reason: 'A side that is shown is a side to be done.',
          mends: evening(context, found, `Add the ${few} side`),
        },
      ];
    }
    const all = found.segmentIds.length > 1 ? ' in all' : '';
    return [
      {
        key: `${segmentId}: ${what}`,
        grade: 'doubt',
        segmentId,
        text: never
          ? `${exercise.name}: done ${many}, never ${few}.`
          : `${exercise.name}: ${muchWords(manyAmount, found)} ${many}, but ${muchWords(fewAmount, found)} ${few}${all}.`,
        reason: 'What is done on one side is done on the other, or the body learns it crooked.',
        mends: evening(context, found, 'Even out'),
      },
    ];
  });
}

function emptyDose({ segment, exercise }: Part): Finding[] {
  if (segment.dose.amounts.some((row) => row.amount > 0)) return [];
  return [
    {
      key: `${segment.id}: nothing`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: its dose is nothing.`,
      reason: 'It stands in the routine and nobody would do anything.',
      mends: [
        { label: 'Remove it', command: (routine) => removeSegment(routine, segment.id) },
        {
          label: 'Give it its first dose',
          command: (routine) => replaceSegment(routine, { ...segment, dose: exercise.defaultDose }),
        },
      ],
    },
  ];
}

const gone = ({ routine, exercises }: FindingContext): Finding[] =>
  routine.segments.flatMap((segment): Finding[] => {
    if (segment.type !== 'exercise' || exercises.has(segment.exerciseId)) return [];
    return [
      {
        key: `${segment.id}: gone`,
        grade: 'doubt',
        segmentId: segment.id,
        text: 'An exercise in here is no longer on the shelf.',
        reason: 'It was removed, or came with a file that left it out.',
        mends: [{ label: 'Remove it', command: (value) => removeSegment(value, segment.id) }],
      },
    ];
  });

function frame(context: FindingContext, parts: readonly Part[]): Finding[] {
  const works = parts.filter(({ exercise }) => exercise.family !== 'warm-up' && exercise.family !== 'closing');
  if (works.length < SHORT_OF_WORK) return [];
  const findings: Finding[] = [];
  const [first, last] = [parts[0]!, parts.at(-1)!];
  if (first.exercise.family !== 'warm-up') {
    findings.push({
      key: 'no warm-up',
      grade: 'note',
      segmentId: null,
      text: 'There is no warm-up at the beginning.',
      reason: 'Tension that is carried in at the start stays through the whole.',
      mends: putIn(context, firstOf(context, ['joint-circles'], 'warm-up'), 0, 'at the beginning'),
    });
  }
  if (last.exercise.family !== 'closing') {
    const end = context.routine.segments.length;
    findings.push({
      key: 'no closing',
      grade: 'note',
      segmentId: null,
      text: 'There is no closing at the end.',
      reason: 'Shake out, rub down, gather: what was hard is balanced by something soft.',
      mends: putIn(context, firstOf(context, ['gathering-home'], 'closing'), end, 'at the end'),
    });
  }
  return findings;
}

function hardOnHard(context: FindingContext, parts: readonly Part[]): Finding[] {
  const effortOf = (id: string): number =>
    context.effort?.segments.find((entry) => entry.segmentId === id)?.effort ?? 0;
  const hard = ({ segment, exercise }: Part): boolean => exercise.family === 'strength' || effortOf(segment.id) >= HARD;
  return parts.flatMap((part, at): Finding[] => {
    const next = parts[at + 1];
    if (next?.index !== part.index + 1 || !hard(part) || !hard(next)) return [];
    return [
      {
        key: `${part.segment.id}: hard`,
        grade: 'note',
        segmentId: part.segment.id,
        text: `${part.exercise.name} and ${next.exercise.name} are both hard, with nothing soft between.`,
        reason: 'Hard is followed by soft: tired legs lose their line first.',
        mends: putIn(context, firstOf(context, ['shake-out'], 'closing'), next.index, 'between them'),
      },
    ];
  });
}

/** A segment that is too long by itself, halved until no part is, with something loosening between; else nothing. */
function inParts(context: FindingContext, segment: Segment): Mend[] {
  const loosening = firstOf(context, ['shake-out'], 'closing');
  if (loosening === undefined) return [];
  const alone = (part: Segment): Routine => ({ ...context.routine, segments: [part], rounds: [] });
  const halved = (part: Segment): Segment[] => {
    if (timeline(alone(part)).totalMs <= LONG_BENT * 1000) return [part];
    const { segments } = splitSegment(alone(part), part.id, context.newId());
    return segments.length === 1 ? segments : segments.flatMap(halved);
  };
  const parts = halved(segment);
  if (parts.length === 1) return [];
  const { roundId } = segment;
  const put = parts.flatMap((part, nth) =>
    nth === 0 ? [part] : [{ ...newSegment(context.newId(), loosening, context.school), roundId }, part],
  );
  return [
    {
      label: `In ${parts.length} parts, “${loosening.name}” between`,
      command: (routine) => ({
        ...routine,
        segments: routine.segments.flatMap((entry) => (entry.id === segment.id ? put : [entry])),
      }),
    },
  ];
}

function longBent(context: FindingContext): Finding[] {
  const { routine, exercises } = context;
  let bentMs = 0;
  for (const span of timeline(routine).spans) {
    const segment = routine.segments[span.segmentIndex]!;
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    if (segment.type === 'exercise' && exercise !== undefined) {
      const posture = segmentPosture(segment, exercise);
      const loosens = exercise.family === 'closing' || exercise.family === 'warm-up';
      if (posture.seated || loosens || posture.kneeBendDeg < BENT) bentMs = 0;
      else bentMs += span.durationMs;
    } else if (span.durationMs >= LOOSENING_REST * 1000) bentMs = 0;
    if (bentMs <= LONG_BENT * 1000) continue;
    const parted = inParts(context, segment);
    return [
      {
        key: `${segment.id}: long bent`,
        grade: 'note',
        segmentId: segment.id,
        text: `The legs are bent for more than ${durationWords(LONG_BENT)} without loosening, up to here.`,
        reason: 'Shake out between rounds, and end with a stretch: for knees and low back.',
        mends:
          parted.length > 0
            ? parted
            : putIn(context, firstOf(context, ['shake-out'], 'closing'), span.segmentIndex, 'before it'),
      },
    ];
  }
  return [];
}

/** Less than this of what is told of a change of side is too little time for it. Our own value. */
const HURRIED = 0.6;

/** Sides that take turns where each has its own stand, or that are changed in less time than it takes to say how. */
function changesOfSide({ routine, school }: FindingContext, { segment, exercise }: Part): Finding[] {
  const sided = new Set(segment.dose.amounts.flatMap(({ side, amount }) => (amount > 0 ? [side] : []))).size > 1;
  if (!sided) return [];
  if (standsOtherwise(exercise) && takesTurns(segment.dose, segment.sideOrder)) {
    return [
      {
        key: `${segment.id}: takes turns`,
        grade: 'doubt',
        segmentId: segment.id,
        text: `${exercise.name}: the sides take turns with each repetition, but each side has its own stand.`,
        reason: 'There is no time to reset the feet between two repetitions.',
        mends: [
          {
            label: 'One side, then the other',
            command: (value) => replaceSegment(value, { ...segment, sideOrder: 'whole' }),
          },
        ],
      },
    ];
  }
  const [given, told] = [segment.changeSeconds ?? routine.changeSeconds, secondsOfChange(exercise, school)];
  if (given >= told * HURRIED) return [];
  return [
    {
      key: `${segment.id}: change`,
      grade: 'note',
      segmentId: segment.id,
      text: `${exercise.name}: ${durationWords(given)} to change sides; to say how takes ${durationWords(told)}.`,
      reason: 'Feet and hands are placed again on the other side.',
      mends: [
        {
          label: `Give it ${durationWords(told)}`,
          command: (value) => replaceSegment(value, { ...segment, changeSeconds: told }),
        },
      ],
    },
  ];
}

const schoolFindings = ({ routine, school, exercises }: FindingContext): Finding[] =>
  routineContradictions(routine, school, exercises).map(({ segmentId, text, question }) => {
    const segment = routine.segments.find((entry) => entry.id === segmentId)!;
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    const mends: Mend[] =
      question === 'sideOrder' && segment.type === 'exercise'
        ? [
            {
              label: 'As the school does',
              command: (value) => replaceSegment(value, { ...segment, sideOrder: school.sideOrder }),
            },
          ]
        : [];
    return {
      key: `${segmentId}: ${question}`,
      grade: 'note',
      segmentId,
      text: `${exercise?.name ?? 'A segment'} ${text}.`,
      reason: `The routine is of the school “${school.name}”.`,
      mends,
    };
  });

/** What is wrong with the shape of a routine, whoever does it. */
export function shapeFindings(context: FindingContext): Finding[] {
  const parts = partsOf(context);
  return [
    ...gone(context),
    ...parts.flatMap(emptyDose),
    ...(context.school.sidesEqual ? sides(context) : []),
    ...frame(context, parts),
    ...hardOnHard(context, parts),
    ...longBent(context),
    ...parts.flatMap((part) => changesOfSide(context, part)),
    ...schoolFindings(context),
  ];
}

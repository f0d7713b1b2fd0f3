import { builtInExercises } from '../library/builtInExercises';
import type { Dose } from '../library/dose';
import type { Firmness } from '../library/firmness';
import type { Exercise } from '../library/exercise';
import { insertSegment, newRoutine, newSegment, setDose } from '../routine/commands';
import type { Routine, Segment } from '../routine/routine';
import { softSchool, strictSchool } from '../schools/builtInSchools';
import type { School } from '../schools/school';

/** The teacher's own exercise in the demo. */
export const lanternWalk: Exercise = {
  ...builtInExercises.find((exercise) => exercise.id === 'cat-walk')!,
  id: 'demo-lantern-walk',
  name: 'Lantern walk along the wall',
  origin: 'own',
  summary:
    'Our own slow walk along the long wall of the hall: one hand hovers at the wall, the other carries an unlit lantern level.',
};

const shelf = new Map([...builtInExercises, lanternWalk].map((exercise) => [exercise.id, exercise]));

type Piece = string | readonly [exercise: string, dose: (dose: Dose) => Dose] | Segment;

const holding =
  (seconds: number) =>
  (dose: Dose): Dose =>
    dose.kind === 'hold' ? { ...dose, holdSeconds: seconds } : dose;

const times =
  (amount: number) =>
  (dose: Dose): Dose => ({
    ...dose,
    amounts: dose.amounts.map((row) => ({ ...row, amount })),
  });

function compose(id: string, name: string, note: string, school: School, pieces: readonly Piece[]): Routine {
  const start: Routine = { ...newRoutine(id, name, school), note };
  return pieces.reduce<Routine>((routine, piece, index) => {
    if (typeof piece === 'object' && 'type' in piece) return insertSegment(routine, piece);
    const [exerciseId, change] = typeof piece === 'string' ? [piece, null] : piece;
    const segment = newSegment(`${id}-${index + 1}`, shelf.get(exerciseId)!, school);
    const longer = insertSegment(routine, segment);
    return change === null ? longer : setDose(longer, segment.id, change(segment.dose));
  }, start);
}

const rest = (id: string, seconds: number, label: string): Segment => ({
  type: 'rest',
  id,
  seconds,
  label,
  roundId: null,
});

export const morningRoutine = compose(
  'demo-morning',
  'Morning at the pond',
  'The short one for home. Loosen, stand, breathe, close.',
  softSchool,
  [
    'joint-circles',
    'arm-swings',
    ['tree-holding', holding(60)],
    'shake-out',
    ['opening-closing', times(9)],
    'gathering-home',
  ],
);

export const reelingRoutine = compose(
  'demo-reeling',
  'Thread and turn',
  'Silk-reeling with its legs first, then the hand, then both.',
  softSchool,
  [
    'joint-circles',
    'overhead-stretch',
    ['shift-and-turn', times(8)],
    ['one-hand-reeling', times(8)],
    rest('demo-reeling-rest', 60, 'Walk about, loosen the knees'),
    ['two-hand-reeling', times(6)],
    ['empty-full', holding(30)],
    'shake-out',
    'rub-down',
  ],
);

export const longStandRoutine = compose(
  'demo-long-stand',
  'The long stand',
  'For the strict evening: three stands with the legs worked between them.',
  strictSchool,
  [
    'joint-circles',
    ['neutral-stance', holding(60)],
    ['tree-holding', holding(180)],
    ['squat-and-bounce', times(18)],
    ['wide-rider', holding(45)],
    ['bow-stand', holding(40)],
    'shake-out',
    ['hip-stretch', holding(40)],
    'gathering-home',
  ],
);

/** A routine in which one exercise is done more or less firmly. */
const firm = (routine: Routine, exerciseId: string, firmness: Firmness): Routine => ({
  ...routine,
  segments: routine.segments.map((segment) =>
    segment.type === 'exercise' && segment.exerciseId === exerciseId ? { ...segment, firmness } : segment,
  ),
});

const quietChair = compose(
  'demo-chair',
  'Beside the chair',
  'Quiet work with the chair within reach: balance, belly breathing, a walk along the wall.',
  softSchool,
  [
    'shoulder-wheel',
    ['belly-breathing', times(12)],
    'heel-lifts',
    ['empty-full', holding(20)],
    ['demo-lantern-walk', times(6)],
    ['slowing-breath', times(8)],
    'gathering-home',
  ],
);

/** The walk begins as soft as can be, and its steps grow a little firmer. */
export const chairRoutine = firm(quietChair, 'demo-lantern-walk', { of: 'steps', from: 1, to: 4 });

export const demoRoutines = [morningRoutine, reelingRoutine, longStandRoutine, chairRoutine] as const;

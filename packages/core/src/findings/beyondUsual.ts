import { drillAsks } from '../care/drillAsks';
import { isTimed, type CycleDose, type Dose } from '../library/dose';
import { isHeld, stillSeconds, withStillSeconds } from '../library/heldSeconds';
import { countOf, workSeconds } from '../library/repetitions';
import { setDose, turnSegment } from '../routine/commands';
import { segmentPosture } from '../routine/turned';
import { usualLowStand, usualOneLeg, usualSquats } from '../screening/usualAtAge';
import { durationWords } from '../words/durationWords';
import type { Finding, FindingContext, Mend, Part } from './finding';

/** Holds are shortened to whole multiples of this, s. */
const GRID = 5;
const NO_DIAGNOSIS = 'No diagnosis.';

const mostOf = ({ amounts }: Dose): number => Math.max(...amounts.map(({ amount }) => amount));
const isBeyond = (
  { segment, exercise }: Part,
  { person, school }: FindingContext,
  name: 'noLift' | 'noSquat',
): boolean => drillAsks({ segment, exercise, school }, { name, side: null, value: true }, person) === true;

/** A hold cut to a time, where that is worth it. */
function heldFor({ segment }: Part, seconds: number): Mend[] {
  const most = Math.floor(seconds / GRID) * GRID;
  if (most < GRID || segment.dose.kind === 'cycle') return [];
  const dose = withStillSeconds(segment.dose, most);
  const label = `Hold ${durationWords(stillSeconds(dose))}`;
  return [{ label, command: (routine) => setDose(routine, segment.id, dose) }];
}

function oneLeg(part: Part, context: FindingContext): Finding[] {
  const { segment, exercise } = part;
  const { person } = context;
  const usual = usualOneLeg(person);
  if (usual === null || !segmentPosture(segment, exercise).otherLifted || !isBeyond(part, context, 'noLift')) return [];
  const { dose } = segment;
  const stood = dose.kind === 'cycle' ? workSeconds(dose, mostOf(dose)) : stillSeconds(dose);
  if (stood <= usual) return [];
  const handOn: Mend = {
    label: 'A hand on a chair or the wall',
    command: (routine) => turnSegment(routine, segment.id, { handOn: true }),
  };
  return [
    {
      key: `${segment.id}: one leg at this age`,
      grade: 'doubt',
      segmentId: segment.id,
      text:
        usual === 0
          ? `${exercise.name}: at ${person.age} years nobody stands on one leg without a hand on something.`
          : `${exercise.name}: ${durationWords(stood)} on one leg; at ${person.age} years up to about ${durationWords(usual)} are usual.`,
      reason: `After the means of trials by age (Springer et al. 2007), longer for those who practise. ${NO_DIAGNOSIS}`,
      mends: [handOn, ...heldFor(part, usual)],
    },
  ];
}

function squats(part: Part, context: FindingContext): Finding[] {
  const { segment, exercise } = part;
  const { person } = context;
  const usual = usualSquats(person);
  const { dose } = segment;
  if (usual === null || dose.kind !== 'cycle' || !isBeyond(part, context, 'noSquat')) return [];
  const count = countOf(dose, mostOf(dose));
  if (count <= usual) return [];
  const most = Math.floor(usual);
  return [
    {
      key: `${segment.id}: squats at this age`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: ${Math.floor(count)} in one go; at ${person.age} years up to about ${most} are usual.`,
      reason: `After the count of chair stands in half a minute by age (CDC STEADI), more for those who practise. ${NO_DIAGNOSIS}`,
      mends: isTimed(dose)
        ? []
        : [{ label: `${most} of them`, command: (routine) => setDose(routine, segment.id, upTo(dose, most)) }],
    },
  ];
}

const upTo = (dose: CycleDose, most: number): CycleDose => ({
  ...dose,
  amounts: dose.amounts.map((row) => ({ ...row, amount: Math.min(row.amount, most) })),
});

function lowStand(part: Part, { person }: FindingContext): Finding[] {
  const { segment, exercise } = part;
  const posture = segmentPosture(segment, exercise);
  if (posture.seated || !isHeld(exercise, segment.dose)) return [];
  const usual = usualLowStand(person, posture.kneeBendDeg);
  const stood = stillSeconds(segment.dose);
  if (usual === null || stood <= usual) return [];
  return [
    {
      key: `${segment.id}: low stand at this age`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: ${durationWords(stood)} bent ${Math.round(posture.kneeBendDeg)}°; so low, up to about ${durationWords(usual)} are usual.`,
      reason: 'As it is usual in class for this age and habit (common practice).',
      mends: heldFor(part, usual),
    },
  ];
}

/** What is more than is usual for somebody of that age and habit, whatever the strength: one leg, squats, low stands. */
export const beyondUsual = (part: Part, context: FindingContext): Finding[] => [
  ...oneLeg(part, context),
  ...squats(part, context),
  ...lowStand(part, context),
];

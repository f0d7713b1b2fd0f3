import { isTimed, type CycleDose, type Dose } from '../library/dose';
import { workSeconds } from '../library/repetitions';
import { setDose } from '../routine/commands';
import { evenOut } from '../routine/evenOut';
import { roomPath, stepsOfSegment } from '../routine/roomPath';
import { partsOf, type Finding, type FindingContext, type Mend, type Part } from './finding';

const HOME = 0.25;

/** The same steps out and back: the second half undoes the first. */
function turningBack({ segment, exercise }: Part): Mend[] {
  const { dose } = segment;
  if (dose.kind !== 'cycle') return [];
  const sided = dose.amounts.some((row) => row.side !== 'both');
  if (sided && exercise.travel !== null && exercise.travel.forward === 0) {
    // Going out to one side and back to the other ends where it began, when both are alike.
    return [
      {
        label: 'As many back as there',
        command: (routine) => setDose(routine, segment.id, evenOut(dose)),
      },
    ];
  }
  if (isTimed(dose)) {
    const rows = (direction: 'forward' | 'reversed'): Dose['amounts'] =>
      dose.amounts.map((row) => ({ ...row, direction }));
    const half = {
      ...dose,
      roundSeconds: Math.max(5, dose.roundSeconds / 2),
      amounts: [...rows('forward'), ...rows('reversed')],
    };
    return [{ label: 'Half the time back again', command: (routine) => setDose(routine, segment.id, half) }];
  }
  const amounts = dose.amounts.flatMap((row) => {
    const there = Math.max(1, Math.floor(row.amount / 2));
    return [
      { ...row, direction: 'forward' as const, amount: there },
      { ...row, direction: 'reversed' as const, amount: there },
    ];
  });
  return [
    {
      label: 'Half of them back again',
      command: (routine) => setDose(routine, segment.id, { ...dose, amounts: amounts.slice(0, 8) }),
    },
  ];
}

/** No more repetitions a row than fit. */
const atMost = (dose: CycleDose, most: number): CycleDose =>
  isTimed(dose)
    ? {
        ...dose,
        roundSeconds: Math.max(5, Math.min(dose.roundSeconds, workSeconds({ ...dose, roundSeconds: null }, most))),
      }
    : { ...dose, amounts: dose.amounts.map((row) => ({ ...row, amount: Math.min(row.amount, most) })) };

/** Where the floor is too small, and where one ends away from where one began. */
export function floorFindings(context: FindingContext): Finding[] {
  const { routine, exercises, person } = context;
  const path = roomPath(routine, exercises, person.body.stature);
  if (path === null) return [];
  const parts = new Map(partsOf(context).map((part) => [part.segment.id, part]));
  const findings: Finding[] = [];
  for (const piece of path.pieces) {
    const part = parts.get(piece.segmentId);
    if (part === undefined || piece.runsOutAt === null || findings.some((entry) => entry.segmentId === piece.segmentId))
      continue;
    const { segment, exercise } = part;
    // Only what keeps the segment on the floor is a mend.
    const helps = (mend: Mend): boolean =>
      roomPath(mend.command(routine), exercises, person.body.stature)?.pieces.every(
        (entry) => entry.segmentId !== segment.id || entry.runsOutAt === null,
      ) ?? false;
    const mends = turningBack(part).filter(helps);
    // Left and right steps of a walk both go forward: they share the floor.
    const sharing = exercise.travel?.forward === 0 ? 1 : segment.dose.amounts.length;
    const most = Math.floor(piece.fits / sharing);
    if (segment.dose.kind === 'cycle' && most > 0) {
      const dose = atMost(segment.dose, most);
      mends.push({
        label: `${most} ${sharing > 1 ? 'a side' : ''} at most`.replace('  ', ' '),
        command: (value) => setDose(value, segment.id, dose),
      });
    }
    findings.push({
      key: `${segment.id}: room`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: the floor ends after ${piece.runsOutAt} of ${stepsOfSegment(segment, exercise, person.body.stature).length} steps.`,
      reason: `From there ${piece.fits} steps fit that way, with an arm’s room to the wall.`,
      mends,
    });
  }
  if (findings.length === 0 && path.awayAtEnd > HOME) {
    const last = path.pieces.at(-1)!;
    findings.push({
      key: 'ends elsewhere',
      grade: 'note',
      segmentId: last.segmentId,
      text: `One ends ${path.awayAtEnd.toFixed(1)} m from where one began.`,
      reason: 'A sequence that ends where it began can be done again at once.',
      mends: turningBack(parts.get(last.segmentId)!),
    });
  }
  return findings;
}

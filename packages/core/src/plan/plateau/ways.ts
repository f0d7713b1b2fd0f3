import { axisWords } from '../../axis/axisWords';
import { postureAnswers } from '../../endurance/postureAnswers';
import type { Plan, Strand } from '../../goals/plan';
import type { PersonRecord } from '../../person/personRecord';
import type { Routine, Turned } from '../../routine/routine';
import { unturned } from '../../routine/turned';
import { turnedWords } from '../../routine/turnedWords';
import { RUNG } from '../nextRung';
import type { StrandPlace } from '../strandPlaces';
import { earlierIn } from './earlierIn';
import { halfStep } from './halfStep';
import type { Plateau } from './plateau';
import { weekdayWords } from './weekdayWords';

/** An easier posture is practised for so many days. House value. */
export const EASIER_DAYS = 14;

interface Told {
  /** What it is, in two or three words. */
  readonly title: string;
  /** What would be done, and why. */
  readonly words: string;
}

/** A way on from a plateau that the teacher may choose. */
export type Way = Told &
  (
    | { readonly kind: 'half steps'; readonly level: number; readonly step: number }
    | { readonly kind: 'easier posture'; readonly turned: Turned }
    | { readonly kind: 'another place'; readonly routine: Routine | null }
    | { readonly kind: 'new test' }
  );
export type WayKind = Way['kind'];

/** An easier posture: arms lower where they give out first, else higher, else less on one leg; null where there is none. */
export function easierPosture({ posture, body }: StrandPlace): Partial<Turned> | null {
  const { kneeBendDeg, shoulderRaiseDeg, weightShare, seated } = posture;
  const lowerArms = shoulderRaiseDeg > RUNG.arms ? { shoulderRaiseDeg: shoulderRaiseDeg - RUNG.arms } : null;
  if (seated) return lowerArms;
  const { limitedBy } = postureAnswers(body.body, posture, body.capacity, body.ankleRangeDeg);
  if (limitedBy === 'arms' && lowerArms !== null) return lowerArms;
  if (kneeBendDeg >= RUNG.bend) return { kneeBendDeg: kneeBendDeg - RUNG.bend };
  if (posture.otherLifted) return { handOn: true };
  if (weightShare - RUNG.share >= 0.5) return { weightShare: Math.round((weightShare - RUNG.share) * 100) / 100 };
  return lowerArms;
}

function halfSteps(strand: Strand, { held, dose }: Plateau): Way[] {
  const step = halfStep(strand);
  if (held === dose && strand.halfSteps !== null) return [];
  const by = step < strand.step ? `in steps of ${axisWords(step, strand.axis)}` : 'in smaller raises';
  const from = held < dose ? `Back to ${axisWords(held, strand.axis)}, which was really held, and` : 'From here';
  return [
    {
      kind: 'half steps',
      title: held < dose ? 'What is held, and half steps' : 'Half steps',
      words: `${from} ${by}, half as much a week, up to the goal.`,
      level: held,
      step,
    },
  ];
}

function easier(strand: Strand, place: StrandPlace | undefined): Way[] {
  const turned = place === undefined || strand.axis === 'stage' ? null : easierPosture(place);
  if (turned === null) return [];
  return [
    {
      kind: 'easier posture',
      title: 'Easier for two weeks',
      words: `Two weeks with ${turnedWords(turned)} at the same dose, then back; nothing is raised until then.`,
      turned: { ...unturned, ...turned },
    },
  ];
}

/**
 * The ways on from a plateau, in the order in which they are offered: what is really held and half steps, an easier posture for two weeks,
 * another place in the routine or another day, a new test (sources: Raising the load). Those that do not fit the goal are left out.
 * @param place of the strand on the body; undefined where its exercise is gone
 */
export function waysOn(
  plateau: Plateau,
  strand: Strand,
  plan: Pick<Plan, 'routineId'>,
  place: StrandPlace | undefined,
  person: PersonRecord,
): Way[] {
  const routine = person.routines.find(({ id }) => id === plan.routineId);
  const earlier = routine === undefined ? null : earlierIn(routine, strand.segmentId, person.shelf);
  const days = weekdayWords(strand, person.logs);
  const moved =
    earlier === null ? [] : [`Move it before ${earlier.before}, which takes from the same legs or arms first.`];
  const other: Way[] =
    moved.length + days.length === 0
      ? []
      : [
          {
            kind: 'another place',
            title: earlier === null ? 'Another day' : 'Earlier in the routine',
            words: [...moved, ...days].join(' '),
            routine: earlier?.routine ?? null,
          },
        ];
  return [
    ...halfSteps(strand, plateau),
    ...easier(strand, place),
    ...other,
    {
      kind: 'new test',
      title: 'A new test',
      words: 'Test the baseline again: limits and predicted effort follow from what is held now.',
    },
  ];
}

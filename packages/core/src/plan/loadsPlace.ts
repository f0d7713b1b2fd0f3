import type { Exercise } from '../library/exercise';
import type { PainPlace } from '../practice/painPlace';

type Drill = Pick<Exercise, 'posture' | 'family' | 'movements'>;

/** Breathing in a stand no lower and with arms no higher than this loads no joint. House values. */
const EASY = { kneeBendDeg: 10, shoulderRaiseDeg: 15 } as const;

/** Drills in which the arms are only held, if at all; in all others they move. */
const still: ReadonlySet<Exercise['family']> = new Set(['standing', 'strength']);

const arms: ReadonlySet<PainPlace> = new Set(['shoulder', 'elbow or wrist']);
const legs: ReadonlySet<PainPlace> = new Set(['knee', 'hip', 'ankle or foot']);
/** Breathing and closing in a stand no lower than this ask no more of the legs than standing does, wherever the arms are. House value. */
const EASY_STAND_DEG = 15;
const light: ReadonlySet<Exercise['family']> = new Set(['breathing', 'closing']);

/** Whether a drill asks of the legs no more than standing about does. */
const sparesLegs = ({ family, posture, movements }: Drill): boolean =>
  posture.seated ||
  (light.has(family) &&
    posture.kneeBendDeg <= EASY_STAND_DEG &&
    !posture.otherLifted &&
    !movements.includes('bounces'));

/** What a leg laid across, or a lean while seated, pulls at. */
const pulled: ReadonlySet<PainPlace> = new Set(['knee', 'hip', 'low back']);

/** Whether a drill done sitting still twists or pulls at hips and knees. */
const pulls = ({ movements }: Drill): boolean =>
  movements.includes('crosses a leg') || movements.includes('leans while seated');

/** Whether a drill loads any joint: sitting still, or breathing in an easy stand, does not (house rule). */
export function loadsJoints(drill: Drill): boolean {
  const { posture, family } = drill;
  const { seated, kneeBendDeg, shoulderRaiseDeg } = posture;
  const upright = kneeBendDeg <= EASY.kneeBendDeg && shoulderRaiseDeg <= EASY.shoulderRaiseDeg;
  return !(seated || (family === 'breathing' && upright));
}

/**
 * Whether a drill loads the place that hurts (sources: Raising the load): legs, hips, back and neck whatever loads joints; shoulders and
 * arms only what raises or moves them; knee, hip and foot not what is breathed or closed in an easy stand; knee, hip and low back also a seated stretch that pulls at them. Without a place, whatever loads a joint.
 */
export function loadsPlace(drill: Drill, place: PainPlace | null): boolean {
  if (pulls(drill) && (place === null || pulled.has(place))) return true;
  if (place !== null && legs.has(place) && sparesLegs(drill)) return false;
  if (!loadsJoints(drill)) return false;
  if (place === null || !arms.has(place)) return true;
  return drill.posture.shoulderRaiseDeg > EASY.shoulderRaiseDeg || !still.has(drill.family);
}

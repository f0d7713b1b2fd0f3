import type { Posture } from '../library/exercise';
import { plainHead, plainShape, plainTrunk } from '../library/plainShape';
import type { ArmShape, Shape } from '../library/shape';
import { draggedWords, handlesOf, type DraggedPart, type Handle } from './dragged';
import { bendAt, bounded, feetApart, headTo, isUp, trunkTo, weightAt } from './dragging';
import { lengthOf, minus, mixed, type Point3 } from './point3';
import { flippedSide, type FigurePose } from './pose';

/** What of a posture is taken and moved: both hands go together, and a posture does not turn. */
const posturePart = (part: DraggedPart): boolean => part !== 'turn' && part !== 'otherHand';

/** What each is called where it is a posture that is moved. */
export const postureWords: Readonly<Record<DraggedPart, string>> = {
  ...draggedWords,
  hand: 'Hands: arms raised, elbows bent',
};

/** The handles of a body in its posture. */
export const postureHandles = (pose: FigurePose): Handle[] => handlesOf(pose).filter(({ part }) => posturePart(part));

/** By how much both angles of the arms are tried, degrees, coarse first. */
const STEPS = [16, 8, 4, 2, 1] as const;
const [MOST_RAISE, MOST_ELBOW] = [180, 160] as const;

const freed = (arm: ArmShape | null): ArmShape | null => (arm === null ? null : { ...arm, on: null });

/** The posture whose working hand comes nearest to a place: both arms are raised and bent alike, and lie on nothing any more. */
function handsTo(posture: Posture, stand: (posture: Posture) => FigurePose, point: Point3): Posture {
  const { shape } = posture;
  let best: Posture = {
    ...posture,
    shape: shape === null ? null : { ...shape, arm: freed(shape.arm), otherArm: freed(shape.otherArm) },
  };
  const off = (tried: Posture): number => {
    const { arms, working } = stand(tried);
    return lengthOf(minus(mixed(arms[working].wrist, arms[working].hand, 0.5), point));
  };
  let least = off(best);
  for (const step of STEPS) {
    for (let better = true; better;) {
      better = false;
      for (const [raise, elbow] of [
        [step, 0],
        [-step, 0],
        [0, step],
        [0, -step],
        [step, -step],
        [-step, step],
      ] as const) {
        const tried = {
          ...best,
          shoulderRaiseDeg: bounded(best.shoulderRaiseDeg + raise, 0, MOST_RAISE),
          elbowBendDeg: bounded(best.elbowBendDeg + elbow, 0, MOST_ELBOW),
        };
        const far = off(tried);
        if (far >= least - 1e-6) continue;
        [best, least, better] = [tried, far, true];
      }
    }
  }
  return best;
}

/**
 * The posture with one part of the body taken to a place in space (m).
 * @param pose the body as it stands now
 * @param stand how the body stands in a posture
 */
export function draggedPosture(
  posture: Posture,
  pose: FigurePose,
  stand: (posture: Posture) => FigurePose,
  part: DraggedPart,
  point: Point3,
): Posture {
  const { working, pelvis } = pose;
  const shape: Shape = posture.shape ?? plainShape;
  switch (part) {
    case 'hand':
    case 'otherHand':
      return handsTo(posture, stand, point);
    case 'foot':
    case 'otherFoot': {
      const side = part === 'foot' ? working : flippedSide(working);
      const { stanceWidth, ahead } = feetApart(pose, side, point);
      // Nobody lifts a foot with weight on it, and a posture stands on its working leg.
      const lifts = part === 'otherFoot' && isUp(pose, side, point);
      const lifted = part === 'otherFoot' ? { otherLifted: lifts, ...(lifts ? { weightShare: 1 } : {}) } : {};
      return { ...posture, ...lifted, stanceWidth: stanceWidth!, ahead: bounded(ahead!, 0, 6) };
    }
    case 'pelvis': {
      const sinks = Math.abs(point.y - pelvis.y) > 0.003;
      const shifts = Math.hypot(point.x - pelvis.x, point.z - pelvis.z) > 0.003;
      const share = bounded(weightAt(pose, pelvis, point), 0.5, 1);
      return {
        ...posture,
        ...(sinks ? { kneeBendDeg: bendAt(pose, posture.kneeBendDeg, pelvis.y - point.y) } : {}),
        ...(shifts ? { weightShare: share, otherLifted: posture.otherLifted && share === 1 } : {}),
      };
    }
    case 'trunk': {
      const { leanDeg, asideDeg } = trunkTo(pose, point);
      const trunk = shape.trunk ?? plainTrunk;
      const bent = asideDeg !== trunk.asideDeg || trunk.leanDeg !== null;
      return {
        ...posture,
        trunkPitchDeg: bounded(leanDeg, -30, 100),
        shape: bent ? { ...shape, trunk: { ...trunk, leanDeg: null, asideDeg } } : posture.shape,
      };
    }
    case 'head': {
      const carried = posture.trunkPitchDeg + (shape.trunk?.roundDeg ?? 0);
      return {
        ...posture,
        shape: { ...shape, head: { ...(shape.head ?? plainHead), ...headTo(pose, point, carried) } },
      };
    }
    case 'turn':
      return posture;
  }
}

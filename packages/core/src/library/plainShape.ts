import type { ArmShape, HeadShape, Shape, TrunkShape } from './shape';

/** Each part of a body that does nothing more than before. */
export const plainTrunk: TrunkShape = { leanDeg: null, roundDeg: 0, asideDeg: 0, twistDeg: 0 };
export const plainHead: HeadShape = { nodDeg: 0, turnDeg: 0, tiltDeg: 0 };
export const plainArm: ArmShape = {
  shoulderUp: 0,
  shoulderForward: 0,
  elbowUpDeg: 0,
  wristBendDeg: 0,
  wristAsideDeg: 0,
  closed: 0,
  on: null,
  laid: 'palm',
  palm: null,
};
export const plainShape: Shape = {
  trunk: null,
  head: null,
  arm: null,
  otherArm: null,
  kneesAsideDeg: 0,
  pressurePoint: null,
  heelUp: 1,
  footOnKnee: false,
};

/** The same shape done on the other side. */
export function swappedShape(shape: Shape): Shape {
  const { trunk, head } = shape;
  return {
    ...shape,
    trunk: trunk === null ? null : { ...trunk, asideDeg: -trunk.asideDeg, twistDeg: -trunk.twistDeg },
    head: head === null ? null : { ...head, turnDeg: -head.turnDeg, tiltDeg: -head.tiltDeg },
    arm: shape.otherArm,
    otherArm: shape.arm,
    kneesAsideDeg: -shape.kneesAsideDeg,
  };
}

import { massFractions } from '../body/body';
import type { FigurePose } from './pose';
import { add, mixed, scaled, type Point3 } from './point3';

/** The centre of mass of a body in space (masses and centres as in the statics). */
export function centreOfMass3(
  pose: Pick<FigurePose, 'body' | 'feet' | 'legs' | 'arms' | 'pelvis' | 'shoulders' | 'head'>,
): Point3 {
  const { centres } = pose.body;
  const parts: [number, Point3][] = [
    [massFractions.trunk, mixed(pose.pelvis, pose.shoulders, centres.trunk)],
    [massFractions.head, pose.head],
  ];
  for (const side of ['left', 'right'] as const) {
    const foot = pose.feet[side];
    const leg = pose.legs[side];
    const arm = pose.arms[side];
    const sole = mixed(foot.heel, foot.toe, centres.foot);
    // The hand is reckoned along the forearm, as the statics do.
    const { forearm, hand } = pose.body.lengths;
    const handCentre = mixed(arm.elbow, arm.wrist, 1 + (centres.hand * hand) / forearm);
    parts.push(
      [massFractions.foot, { ...sole, y: sole.y + pose.body.lengths.ankleHeight / 2 }],
      [massFractions.shank, mixed(leg.knee, leg.ankle, centres.shank)],
      [massFractions.thigh, mixed(leg.hip, leg.knee, centres.thigh)],
      [massFractions.upperArm, mixed(arm.shoulder, arm.elbow, centres.upperArm)],
      [massFractions.forearm, mixed(arm.elbow, arm.wrist, centres.forearm)],
      [massFractions.hand, handCentre],
    );
  }
  return parts.reduce((sum, [mass, point]) => add(sum, scaled(point, mass)), { x: 0, y: 0, z: 0 });
}

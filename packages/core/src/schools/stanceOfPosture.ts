import type { SettledPosture } from './conventions';
import type { Stance } from '../body/statics';

/** The posture of a working leg as the statics take it. */
export const stanceOfPosture = (posture: SettledPosture): Stance => ({
  kneeBendDeg: posture.kneeBendDeg,
  trunkPitchDeg: posture.trunkPitchDeg,
  shoulderRaiseDeg: posture.shoulderRaiseDeg,
  elbowBendDeg: posture.elbowBendDeg,
  pressurePoint: posture.pressurePoint,
  weightShare: posture.weightShare,
});

import type { SettledPosture } from '../schools/conventions';
import type { Stance } from './statics';

/** The posture of a working leg as the statics take it. */
export const stanceOfPosture = (posture: SettledPosture): Stance => ({
  kneeBendDeg: posture.kneeBendDeg,
  trunkPitchDeg: posture.trunkPitchDeg,
  shoulderRaiseDeg: posture.shoulderRaiseDeg,
  elbowBendDeg: posture.elbowBendDeg,
  pressurePoint: posture.pressurePoint,
  weightShare: posture.weightShare,
});

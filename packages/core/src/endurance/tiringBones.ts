import { boneNames, type BoneName } from '../bodyForm';
import type { FigurePose, FootSide } from '../figure/pose';
import type { LoadedJoint } from './strength';

/** What works where a joint tires: the front of the thigh holds the knee, the calf the ankle. */
const works: Readonly<Record<LoadedJoint, readonly string[]>> = {
  knee: ['thigh'],
  ankle: ['shin'],
  hip: ['pelvis'],
  trunk: ['pelvis', 'belly'],
  shoulder: ['collar', 'upper arm'],
};
const sides = ['left', 'right'] as const;
/** Weights that differ by less than this share tire both legs alike. */
const ALIKE = 0.02;

/**
 * The parts of a body that tire first, to be shown on it.
 * @param joint that gives out first
 * @param pose of which leg carries more; of a leg that carries more it is the one
 */
export function tiringBones(joint: LoadedJoint, { feet }: Pick<FigurePose, 'feet'>): BoneName[] {
  const most = Math.max(feet.left.share, feet.right.share);
  const legs = sides.filter((side) => feet[side].share >= most - ALIKE);
  const of: readonly FootSide[] = joint === 'knee' || joint === 'ankle' ? legs : sides;
  const names = works[joint].flatMap((bone) => [bone, ...of.map((side) => `${side} ${bone}`)]);
  return boneNames.filter((name) => names.includes(name));
}

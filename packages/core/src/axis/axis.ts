import * as z from 'zod';
import type { TurnedNumber } from '../routine/routine';

/** Axes that stand in a dose: seconds of a hold, breaths, repetitions, how long one of these takes, and how long each stays still. */
export const doseAxes = ['time', 'breaths', 'repetitions', 'pace', 'stay'] as const;
/**
 * Axes that stand in how a drill is done: degrees of bend, percent on the working leg, degrees of arms, breadth and length of the
 * stance, and which of its stages it is.
 */
export const postureAxes = ['bend', 'share', 'arms', 'width', 'length', 'stage'] as const;

/** The axis along which a strand is raised. */
export const AxisSchema = z.enum([...doseAxes, ...postureAxes]);
export type Axis = z.infer<typeof AxisSchema>;
export type DoseAxis = (typeof doseAxes)[number];
export type PostureAxis = (typeof postureAxes)[number];

export const isPostureAxis = (axis: Axis): axis is PostureAxis => (postureAxes as readonly Axis[]).includes(axis);

/** What a lighter week asks for less of: how long and how often, not how low or how slowly. */
export const isLightened = (axis: Axis): boolean => !isPostureAxis(axis) && axis !== 'pace' && axis !== 'stay';

/** Where a value of a posture axis stands, and how many of its units one of the posture's makes. */
export const inPosture: Readonly<Record<PostureAxis, { readonly key: TurnedNumber; readonly units: number }>> = {
  bend: { key: 'kneeBendDeg', units: 1 },
  share: { key: 'weightShare', units: 100 },
  arms: { key: 'shoulderRaiseDeg', units: 1 },
  width: { key: 'stanceWidth', units: 1 },
  length: { key: 'ahead', units: 1 },
  stage: { key: 'stage', units: 1 },
};

/** Whether each raise is the next rung, whole, however large the step: stages, and seconds of a stay, are not grown by a tenth. */
export const goesByRungs = (axis: Axis): boolean => axis === 'stage' || axis === 'stay';

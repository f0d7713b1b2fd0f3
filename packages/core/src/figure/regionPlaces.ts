import type { Region } from '../alignment/checkpoint';
import { add, level, mixed, scaled, UP, type Point3 } from './point3';
import type { FigurePose } from './pose';
import { spineAt } from './spine';

/** Where a region of alignment is on the body, m, and which way it faces there, a unit length. */
export interface RegionPlace {
  readonly at: Point3;
  readonly out: Point3;
}

/** Where each region of alignment is on the body; of two sides on the one that works. */
export function regionPlaces(pose: FigurePose): Readonly<Record<Region, RegionPlace>> {
  const { pelvis, head, body, working } = pose;
  const sign = working === 'right' ? 1 : -1;
  const { pelvisFront: hips, chestFront: chest, look: face } = pose.spine;
  const aside = level(pose.turnDeg + sign * 90);
  const { [working]: leg } = pose.legs;
  const { [working]: arm } = pose.arms;
  const { [working]: foot } = pose.feet;
  const toes = level(sign * foot.toesOutDeg);
  const spine = (share: number): Point3 => spineAt(pelvis, pose.spine, share);
  /** So far out of the middle of a part, and so much higher, as shares of stature. */
  const place = (from: Point3, out: Point3, far: number, up = 0): RegionPlace => ({
    at: add(add(from, scaled(out, far * body.stature)), scaled(UP, up * body.stature)),
    out,
  });
  const back = (front: Point3): Point3 => scaled(front, -1);
  return {
    feet: { at: mixed(foot.heel, foot.toe, 2 / 3), out: UP },
    ankles: place(leg.ankle, aside, 0.015),
    knees: place(leg.knee, toes, 0.02),
    'hip crease': place(leg.hip, hips, 0.04, 0.012),
    waist: place(spine(0.3), aside, 0.07),
    pelvis: place(pelvis, back(hips), 0.05, -0.01),
    'low back': place(spine(0.22), back(hips), 0.05),
    ribs: place(spine(0.55), chest, 0.05),
    torso: place(spine(0.45), back(chest), 0.04),
    'chest and upper back': place(spine(0.8), chest, 0.055),
    shoulders: place(arm.shoulder, UP, 0.02),
    armpits: place(arm.shoulder, chest, 0.02, -0.05),
    elbows: { at: arm.elbow, out: aside },
    wrists: { at: arm.wrist, out: UP },
    hands: { at: arm.hand, out: UP },
    'neck and head': place(head, back(face), 0.04, -0.05),
    eyes: place(head, face, 0.05, 0.005),
    'tongue and face': place(head, face, 0.05, -0.03),
    breath: place(spine(0.2), hips, 0.055),
  };
}

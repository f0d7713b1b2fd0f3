import { thick } from './figureBody';
import type { Point3 } from './point3';
import type { FigurePose } from './pose';

/** A line that a teacher reads on a body, in space, m. */
export interface FigureLine {
  readonly kind: 'toe line' | 'knee line' | 'plumb' | 'head now' | 'head straight' | 'hips';
  readonly from: Point3;
  readonly to: Point3;
}

/**
 * The lines that are read on a body: the plumb below its centre of mass and the hips; of one that stands also the toe line and the knee of its
 * working leg, and how far the head has come down.
 */
export function figureLines(pose: FigurePose): FigureLine[] {
  const { centreOfMass: mass, legs, head, working } = pose;
  const lines: FigureLine[] = [
    { kind: 'plumb', from: mass, to: { ...mass, y: 0 } },
    { kind: 'hips', from: legs.left.hip, to: legs.right.hip },
  ];
  if (pose.seated) return lines;
  const { knee } = legs[working];
  const { toe } = pose.feet[working];
  const crown = head.y + thick.headTall * pose.body.stature;
  const level = (kind: 'head now' | 'head straight', y: number): FigureLine => ({
    kind,
    from: { x: head.x - 0.34, y, z: 0 },
    to: { x: head.x + 0.1, y, z: 0 },
  });
  return [
    { kind: 'toe line', from: { ...toe, y: 0 }, to: { ...toe, y: knee.y + 0.12 } },
    { kind: 'knee line', from: knee, to: { ...knee, y: 0 } },
    ...lines,
    level('head straight', crown + pose.headDrop),
    level('head now', crown),
  ];
}

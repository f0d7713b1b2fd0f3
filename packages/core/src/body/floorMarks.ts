import { checkRange } from '../words/checkRange';
import type { Body } from './body';

/** Where one foot stands: its heel in cm from the middle of the stance, and its toes in degrees outward. */
export interface FootMark {
  readonly xCm: number;
  readonly yCm: number;
  readonly toesOutDeg: number;
}
export interface FloorMarks {
  readonly left: FootMark;
  readonly right: FootMark;
  readonly footLengthCm: number;
}

/** Feet side by side, their centre lines `widths` shoulder (or hip) breadths apart, toes turned out. */
export function parallelMarks(body: Body, breadth: 'shoulder' | 'hip', widths: number, toesOutDeg: number): FloorMarks {
  checkRange('widths', widths, 0, 4);
  checkRange('toesOutDeg', toesOutDeg, -45, 90);
  const apart = 100 * widths * (breadth === 'hip' ? body.lengths.hipBreadth : body.lengths.shoulderBreadth);
  const mark = (sign: number): FootMark => ({ xCm: (sign * apart) / 2, yCm: 0, toesOutDeg });
  return { left: mark(-1), right: mark(1), footLengthCm: 100 * body.lengths.foot };
}

/** A bow stance: the front foot straight ahead, the rear one turned out, a channel between the heels. */
export function bowMarks(
  body: Body,
  front: 'left' | 'right',
  lengthCm: number,
  channelCm: number,
  rearToesOutDeg = 45,
): FloorMarks {
  checkRange('lengthCm', lengthCm, 0, 200);
  checkRange('channelCm', channelCm, 0, 100);
  checkRange('rearToesOutDeg', rearToesOutDeg, 0, 90);
  const mark = (side: 'left' | 'right'): FootMark => ({
    xCm: ((side === 'left' ? -1 : 1) * channelCm) / 2,
    yCm: ((side === front ? 1 : -1) * lengthCm) / 2,
    toesOutDeg: side === front ? 0 : rearToesOutDeg,
  });
  return { left: mark('left'), right: mark('right'), footLengthCm: 100 * body.lengths.foot };
}

/** The pressure point of a foot on the floor, cm; p along the foot from the heel, 0–1. */
export function pressureMark(
  mark: FootMark,
  side: 'left' | 'right',
  footLengthCm: number,
  p: number,
): { xCm: number; yCm: number } {
  checkRange('p', p, 0, 1);
  const angle = ((side === 'left' ? -1 : 1) * mark.toesOutDeg * Math.PI) / 180;
  return {
    xCm: mark.xCm + p * footLengthCm * Math.sin(angle),
    yCm: mark.yCm + p * footLengthCm * Math.cos(angle),
  };
}

/** Where the weight falls on the floor when `leftShare` of it is on the left foot: the weighted mean of both pressure points. */
export function weightMark(marks: FloorMarks, leftShare: number, p: number): { xCm: number; yCm: number } {
  checkRange('leftShare', leftShare, 0, 1);
  const left = pressureMark(marks.left, 'left', marks.footLengthCm, p);
  const right = pressureMark(marks.right, 'right', marks.footLengthCm, p);
  return {
    xCm: leftShare * left.xCm + (1 - leftShare) * right.xCm,
    yCm: leftShare * left.yCm + (1 - leftShare) * right.yCm,
  };
}

/** Target readings of two bathroom scales, kg, for a share of the weight on the first. */
export function scaleTargets(mass: number, share: number): { first: number; second: number } {
  checkRange('mass', mass, 20, 300);
  checkRange('share', share, 0, 1);
  return { first: share * mass, second: (1 - share) * mass };
}

/** The share on the first scale from both readings, kg, and how far it is from the wanted one. */
export function shareFromScales(first: number, second: number, wanted: number): { share: number; error: number } {
  checkRange('first', first, 0, 400);
  checkRange('second', second, 0, 400);
  checkRange('first + second', first + second, 1, 400);
  const share = first / (first + second);
  return { share, error: share - wanted };
}

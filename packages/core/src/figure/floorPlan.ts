import type { FigurePose, FootSide } from './pose';

/** A point on the floor in cm: right and forward of the middle between the heels. */
export interface FloorPoint {
  readonly rightCm: number;
  readonly forwardCm: number;
}
export interface PlanFoot {
  readonly heel: FloorPoint;
  readonly toe: FloorPoint;
  readonly toesOutDeg: number;
  readonly pressure: FloorPoint;
  /** Share of the weight on it. */
  readonly share: number;
}
/** Where the feet go on the floor, to be marked with tape. */
export interface FloorPlan {
  readonly feet: Readonly<Record<FootSide, PlanFoot>>;
  readonly footCm: number;
  readonly footWidthCm: number;
  /** Where the weight falls. */
  readonly weight: FloorPoint;
  /** Heel to heel: across, ahead (right foot before the left is positive), and straight. */
  readonly acrossCm: number;
  readonly aheadCm: number;
  readonly heelsCm: number;
}

/** Breadth of a foot as a share of its length; a house value for drawing. */
const FOOT_WIDTH = 0.38;
const cm = (metres: number): number => Math.round(metres * 1000) / 10;

/** The floor marks of a pose in cm (sources: Floor marks and scales). */
export function floorPlan(pose: FigurePose): FloorPlan {
  const point = ({ x, z }: { x: number; z: number }): FloorPoint => ({ rightCm: cm(z), forwardCm: cm(x) });
  const foot = (side: FootSide): PlanFoot => {
    const { heel, toe, pressure, toesOutDeg, share } = pose.feet[side];
    return { heel: point(heel), toe: point(toe), pressure: point(pressure), toesOutDeg, share };
  };
  const feet = { left: foot('left'), right: foot('right') };
  const acrossCm = feet.right.heel.rightCm - feet.left.heel.rightCm;
  const aheadCm = feet.right.heel.forwardCm - feet.left.heel.forwardCm;
  const footCm = cm(pose.body.lengths.foot);
  return {
    feet,
    footCm,
    footWidthCm: Math.round(footCm * FOOT_WIDTH * 10) / 10,
    weight: point(pose.weight),
    acrossCm: Math.round(acrossCm * 10) / 10,
    aheadCm: Math.round(aheadCm * 10) / 10,
    heelsCm: Math.round(Math.hypot(acrossCm, aheadCm) * 10) / 10,
  };
}

const whole = (value: number): string => `${Math.round(Math.abs(value))} cm`;

/** The floor marks as instructions for tape, one a line. */
export function floorPlanWords(plan: FloorPlan): string[] {
  const toes = (side: FootSide): string => {
    const { toesOutDeg } = plan.feet[side];
    if (Math.abs(toesOutDeg) < 1) return `${side} foot straight ahead`;
    return `${side} foot turned ${toesOutDeg > 0 ? 'out' : 'in'} ${Math.round(Math.abs(toesOutDeg))}°`;
  };
  const ahead =
    Math.abs(plan.aheadCm) < 1
      ? 'Heels on one line'
      : `${plan.aheadCm > 0 ? 'Right' : 'Left'} heel ${whole(plan.aheadCm)} ahead of the other`;
  const { left, right } = plan.feet;
  const heavier = left.share > right.share ? 'left' : 'right';
  const split = Math.round(Math.max(left.share, right.share) * 100);
  const { rightCm, forwardCm } = plan.weight;
  const sideways =
    Math.abs(rightCm) < 0.5
      ? 'on the middle line'
      : `${whole(rightCm)} ${rightCm > 0 ? 'right' : 'left'} of the middle line`;
  return [
    `Heel centres ${whole(plan.acrossCm)} apart from side to side`,
    ahead,
    `${toes('left')}, ${toes('right')}`,
    split === 50
      ? `Weight even: it falls ${sideways}, ${whole(forwardCm)} before the heel line`
      : `${split} / ${100 - split} on the ${heavier} foot: the weight falls ${sideways}, ${whole(forwardCm)} ${forwardCm >= 0 ? 'before' : 'behind'} the middle of the heels`,
  ];
}

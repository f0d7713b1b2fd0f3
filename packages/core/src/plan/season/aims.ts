import type { Joint, Label } from './joint';

/**
 * What is wanted of a season, the weightiest first (sources: Raising the load): the fewest goals late; the fewest days late in all; each
 * goal as early as can be, in the order of their days; one that is never reached as far as can be.
 */
export interface Aims {
  readonly late: number;
  readonly daysLate: number;
  readonly arrivals: readonly number[];
}

/**
 * The aims when each strand comes to its highest dose on the given day.
 * @param days beyond the last day where it never does
 */
export function aimsOf({ problem, order, lastDay, capped }: Joint, days: readonly number[]): Aims {
  let [late, daysLate] = [0, 0];
  for (let index = 0; index < days.length; index += 1) {
    const day = capped[index]! ? lastDay : Math.min(days[index]!, lastDay);
    const over = day - problem.strands[index]!.targetDay;
    if (over <= 0) continue;
    late += 1;
    daysLate += over;
  }
  return { late, daysLate, arrivals: order.map((index) => days[index]!) };
}

function compareLists(one: readonly number[], other: readonly number[]): number {
  const length = Math.max(one.length, other.length);
  for (let at = 0; at < length; at += 1) {
    const difference = (one[at] ?? 0) - (other[at] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

/** Below nought when the first is better. */
export const compareAims = (one: Aims, other: Aims): number =>
  one.late - other.late || one.daysLate - other.daysLate || compareLists(one.arrivals, other.arrivals);

type Growing = Pick<Label, 'needless' | 'growths' | 'path'>;

/**
 * Of two seasons equal in days, the one in which fewer strands wait without anything that binds; then the one that grows
 * more gently: the smallest largest growth, then the next largest. This
 * way the rest of the best season is the best season of the rest, and tomorrow's plan is today's. Then the earlier raise.
 */
export const compareGrowth = (one: Growing, other: Growing): number =>
  compareGentleness(one, other) || (one.path < other.path ? -1 : one.path > other.path ? 1 : 0);

/** The same without regard to which raise came first: nought for two ways that are equally good. */
export const compareGentleness = (one: Growing, other: Growing): number =>
  one.needless - other.needless || compareLists(one.growths, other.growths);

/** The aims as far as they are known, the rest as well as it could ever come. */
export const boundOf = (joint: Joint, label: Label, week: number): Aims =>
  aimsOf(
    joint,
    label.nodes.map((_, index) => joint.earliest(label, week, index)),
  );

/** The aims of a season that has ended: a strand that came to no end counts by how far it came. */
export const endOf = (joint: Joint, label: Label): Aims =>
  aimsOf(
    joint,
    label.arrivals.map((day, index) => (day < 0 ? joint.lastDay + 1 / (1 + label.nodes[index]!.level) : day)),
  );

import { aimsOf, boundOf, compareAims, compareGentleness, compareGrowth, endOf, type Aims } from './aims';
import type { Joint, Label } from './joint';

/** How far a search goes before it settles for the best season found. */
export interface SearchLimits {
  /** Sets of raises that are tried. */
  readonly tries: number;
  /** States of a week that are followed when there are too many. */
  readonly states: number;
  /** Unfinished seasons that are brought to their end when there is no time for all. */
  readonly ended: number;
}
/** Tuned so that a season stays within a blink. */
const LIMITS: SearchLimits = { tries: 8000, states: 600, ended: 20 };

export interface FoundSeason {
  /** Which strands rise in each week, from the present one, by bits. */
  readonly masks: readonly number[];
  readonly end: Label;
  /** Whether it is known that there is none better. */
  readonly proven: boolean;
  /** Whether no other way was met that is as good. */
  readonly unique: boolean;
}

interface Best {
  readonly label: Label;
  readonly aims: Aims;
}

/** Of two ways to the same state, below nought when the first is the better one. */
const compareSame = (joint: Joint, one: Label, other: Label): number =>
  compareAims(endOf(joint, one), endOf(joint, other)) || compareGrowth(one, other);

/** Whether two ways to the same state, or end, are equally good. */
const alike = (joint: Joint, one: Label, other: Label): boolean =>
  compareGentleness(one, other) === 0 && compareAims(endOf(joint, one), endOf(joint, other)) === 0;

/** The better of two ways to the same state; it remembers that there were two, also where one way was come to twice. */
function betterWay(joint: Joint, one: Label, other: Label): Label {
  if (one.path === other.path) return one.tied ? one : other;
  const first = compareSame(joint, one, other) < 0 ? one : other;
  return alike(joint, one, other) ? { ...first, tied: true } : first;
}

const better = (joint: Joint, label: Label, best: Best | null): Best => {
  const way = best === null ? label : betterWay(joint, label, best.label);
  return best !== null && way === best.label ? best : { label: way, aims: endOf(joint, way) };
};

/** Lets strands rise in a given order as far as the rails allow. */
function inOrder(joint: Joint, label: Label, week: number, order: readonly number[]): boolean[] {
  const rising = label.nodes.map(() => false);
  for (const index of order) {
    if (!joint.step(label, week, index, true).raised) continue;
    rising[index] = true;
    if (joint.broken(label, week, rising) !== null) rising[index] = false;
  }
  return rising;
}

type Order = (joint: Joint, label: Label, week: number) => readonly number[];

const slack = (joint: Joint, label: Label, week: number, index: number): number =>
  joint.problem.strands[index]!.targetDay - joint.earliest(label, week, index);

/** Orders that are tried first: by day; by how little time is left to spare; those that can still be in time before the late. */
const orders: readonly Order[] = [
  (joint) => joint.order,
  (joint, label, week) => joint.order.toSorted((a, b) => slack(joint, label, week, a) - slack(joint, label, week, b)),
  (joint, label, week) => {
    const inTime = (index: number): number => (slack(joint, label, week, index) >= 0 ? 0 : 1);
    return joint.order.toSorted((a, b) => inTime(a) - inTime(b));
  },
];

function greedy(joint: Joint, from: Label, first: number, order: Order): Label {
  let label = from;
  for (let week = first; week < joint.problem.mostWeeks && !joint.finished(label, week); week += 1)
    label = joint.next(label, week, inOrder(joint, label, week, order(joint, label, week)));
  return label;
}

/** All sets of raises that contain what must rise and break no rail. */
function* sets(joint: Joint, label: Label, week: number, must: readonly number[], may: readonly number[]) {
  const rising = label.nodes.map(() => false);
  for (const index of must) rising[index] = true;
  for (let bits = 2 ** may.length - 1; bits >= 0; bits -= 1) {
    may.forEach((index, at) => (rising[index] = ((bits >> (may.length - 1 - at)) & 1) === 1));
    yield joint.broken(label, week, rising) === null ? [...rising] : null;
  }
}

const keyOf = ({ nodes, arrivals }: Label): string =>
  nodes.map(({ id }, index) => `${id}${arrivals[index]! >= 0 ? 'x' : ''}`).join();

/**
 * The best season (sources: Raising the load) by going through its weeks, with all sets of raises, waiting included. Of two ways to the
 * same state only the better one is followed, which loses nothing: what comes after is the same for both. What cannot
 * become better than the best season known is left out. Where there is too much to try, the most promising states are
 * followed and the answer is called the best found.
 */
export function searchSeason(joint: Joint, limits = LIMITS): FoundSeason {
  const { firstWeek, problem } = joint;
  const root = joint.root();
  let best: Best | null = null;
  for (const order of orders) best = better(joint, greedy(joint, root, firstWeek, order), best);
  let { tries } = limits;
  let proven = true;
  let front: Label[] = [root];
  for (let week = firstWeek; week < problem.mostWeeks && front.length > 0; week += 1) {
    const found = new Map<string, Label>();
    for (const label of front) {
      if (joint.finished(label, week)) {
        best = better(joint, label, best);
        continue;
      }
      if (tries < 0 || worse(joint, label, week, best!)) continue;
      const ready = joint.ready(label, week);
      const must = ready.filter((index) => heldIsWorse(joint, label, week, index, best!));
      const may = ready.filter((index) => !must.includes(index));
      for (const rising of sets(joint, label, week, must, may)) {
        if ((tries -= 1) < 0) break;
        if (rising === null) continue;
        const child = joint.next(label, week, rising);
        if (worse(joint, child, week + 1, best!)) continue;
        const key = keyOf(child);
        const other = found.get(key);
        found.set(key, other === undefined ? child : betterWay(joint, child, other));
      }
    }
    front = [...found.values()];
    if (tries < 0) {
      proven = false;
      break;
    }
    if (front.length > limits.states) {
      proven = false;
      front = promising(joint, front, week + 1).slice(0, limits.states);
    }
  }
  if (proven) for (const label of front) best = better(joint, label, best);
  else {
    const week = firstWeek + (front[0]?.masks.length ?? 0);
    for (const label of promising(joint, front, week).slice(0, limits.ended)) {
      for (const order of orders) best = better(joint, greedy(joint, label, week, order), best);
    }
  }
  const { label } = best!;
  return { masks: label.masks, end: label, proven, unique: !label.tied };
}

const promising = (joint: Joint, labels: readonly Label[], week: number): Label[] =>
  labels
    .map((label) => ({ label, bound: boundOf(joint, label, week) }))
    .sort((a, b) => compareAims(a.bound, b.bound) || compareGrowth(a.label, b.label))
    .map(({ label }) => label);

/** Whether a label cannot become better than the best season known. */
function worse(joint: Joint, label: Label, week: number, best: Best): boolean {
  const order = compareAims(boundOf(joint, label, week), best.aims);
  return order > 0 || (order === 0 && compareGrowth(label, { ...best.label, path: '~' }) > 0);
}

/** Whether a strand that is not raised this week makes the season worse, however the rest goes. */
function heldIsWorse(joint: Joint, label: Label, week: number, index: number, best: Best): boolean {
  const held = joint.step(label, week, index, false);
  const after = {
    ...label,
    nodes: label.nodes.with(index, held.node),
    arrivals: held.arrival === null ? label.arrivals : label.arrivals.with(index, held.arrival),
  };
  const days = label.nodes.map((_, at) =>
    at === index ? joint.earliest(after, week + 1, at) : joint.earliest(label, week, at),
  );
  return compareAims(aimsOf(joint, days), best.aims) > 0;
}

import { groupBy } from '../words/groupBy';
import { TINY, capOf, fill, isDone, isOpen, left, loadOf, urgency, type Problem, type Rungs } from './seasonProblem';

/** Sets of raises the exact search may try before it settles for the best season found. */
const MOST_TRIES = 12_000;
/** With more open strands than this, not all subsets are tried. */
const MOST_OPEN = 10;

function greedy(problem: Problem, growth: number): Rungs[] | null {
  const path: Rungs[] = [problem.strands.map(() => 0)];
  while (!isDone(problem, path.at(-1)!)) {
    const rungs = path.at(-1)!;
    const { next } = fill(problem, rungs, urgency(problem, rungs), capOf(problem, rungs, growth));
    if (path.length > problem.rails.mostWeeks || next.every((rung, index) => rung === rungs[index])) return null;
    path.push(next);
  }
  return path;
}

/** Fewest weeks that any season needs: by family, and by the growth of the whole load. */
function lowerBound(problem: Problem, growth: number): number {
  const { strands, rails } = problem;
  const start = strands.map(() => 0);
  const families = new Map<string, { all: number; longest: number }>();
  strands.forEach(({ family }, index) => {
    const need = left(problem, start, index);
    const before = families.get(family) ?? { all: 0, longest: 0 };
    families.set(family, { all: before.all + need, longest: Math.max(before.longest, need) });
  });
  const byFamily = Math.max(
    0,
    ...[...families.values()].map(({ all, longest }) => Math.max(longest, Math.ceil(all / rails.raisesPerFamily))),
  );
  const end = problem.ladders.map((levels) => levels.length - 1);
  const from = Math.max(rails.usualLoad, loadOf(problem, start));
  const ratio = loadOf(problem, end) / Math.max(from, TINY);
  const byLoad = ratio <= 1 || growth === 0 ? 0 : Math.ceil(Math.log(ratio) / Math.log(1 + growth) - 1e-6);
  return Math.max(byFamily, byLoad);
}

/** What the exact search may still spend, in tried sets of raises. */
export interface Budget {
  left: number;
}

/** All ways to pick `count` of a list. */
function picks(list: readonly number[], count: number): number[][] {
  if (count === 0 || list.length <= count) return [list.slice(0, list.length)];
  return list.flatMap((first, at) =>
    count === 1
      ? [[first]]
      : list.length - at > count - 1
        ? picks(list.slice(at + 1), count - 1).map((rest) => [first, ...rest])
        : [],
  );
}

function subsets(list: readonly number[]): number[][] {
  return list.reduce<number[][]>((all, item) => [...all, ...all.map((set) => [...set, item])], [[]]);
}

/**
 * Sets of raises to which none can be added. By family as many as the rail allows; only where the load
 * or the minutes stand in the way are all subsets tried.
 */
function fullRaises(problem: Problem, rungs: Rungs, cap: number, budget: Budget): number[][] {
  const open = problem.strands
    .map((_, index) => index)
    .filter((index) => left(problem, rungs, index) > 0 && isOpen(problem, rungs, index));
  const families = groupBy(open, (index) => problem.strands[index]!.family);
  let selections: number[][] = [[]];
  for (const members of families.values()) {
    const ways = picks(members, problem.rails.raisesPerFamily);
    selections = selections.flatMap((selection) => ways.map((way) => [...selection, ...way]));
  }
  const found = new Map<string, number[]>();
  const tryOrder = (order: readonly number[]): boolean => {
    budget.left -= 1;
    const { next, held } = fill(problem, rungs, order, cap);
    found.set(next.join(), next);
    return order.every((index) => held[index] === null || held[index] === 'family');
  };
  const free = selections.every((selection) => budget.left > 0 && tryOrder(selection));
  if (!free && open.length <= MOST_OPEN) {
    for (const first of subsets(open)) {
      if (budget.left <= 0) break;
      tryOrder([...first, ...open.filter((index) => !first.includes(index))]);
    }
  }
  return [...found.values()];
}

const covers = (one: Rungs, other: Rungs): boolean => one.every((rung, index) => rung >= other[index]!);

interface Node {
  readonly rungs: Rungs;
  readonly from: Node | null;
}

/**
 * The shortest season by breadth-first search. A state with at least as many raises of every strand is
 * never worse, since it may follow the other's season and skip what it has; so only full sets of
 * raises are tried and covered states dropped.
 */
function exact(
  problem: Problem,
  growth: number,
  most: number,
  budget: Budget,
): { path: Rungs[] | null; complete: boolean } {
  let front: Node[] = [{ rungs: problem.strands.map(() => 0), from: null }];
  for (let week = 0; week <= most; week += 1) {
    const done = front.find((node) => isDone(problem, node.rungs));
    if (done !== undefined) return { path: trail(done), complete: true };
    const kept: Node[] = [];
    for (const node of front) {
      for (const rungs of fullRaises(problem, node.rungs, capOf(problem, node.rungs, growth), budget)) {
        if (budget.left <= 0) return { path: null, complete: false };
        if (kept.some((other) => covers(other.rungs, rungs))) continue;
        for (let index = kept.length - 1; index >= 0; index -= 1)
          if (covers(rungs, kept[index]!.rungs)) kept.splice(index, 1);
        if (!covers(node.rungs, rungs)) kept.push({ rungs, from: node });
      }
    }
    if (kept.length === 0) return { path: null, complete: true };
    front = kept;
  }
  return { path: null, complete: true };
}

function trail(end: Node): Rungs[] {
  const path: Rungs[] = [];
  for (let node: Node | null = end; node !== null; node = node.from) path.unshift(node.rungs);
  return path;
}

/** The shortest season at a given growth of load. */
export function shortest(problem: Problem, growth: number, budget: Budget): { path: Rungs[] | null; proven: boolean } {
  const quick = greedy(problem, growth);
  if (quick !== null && quick.length - 1 === lowerBound(problem, growth)) return { path: quick, proven: true };
  const most = Math.min(problem.rails.mostWeeks, quick === null ? problem.rails.mostWeeks : quick.length - 2);
  if (most < 0) return { path: quick, proven: true };
  const search = exact(problem, growth, most, budget);
  return search.path === null ? { path: quick, proven: search.complete } : { path: search.path, proven: true };
}

export const growthOf = (problem: Problem, path: readonly Rungs[]): number =>
  path.slice(1).reduce((most, rungs, index) => {
    const before = Math.max(problem.rails.usualLoad, loadOf(problem, path[index]!));
    return Math.max(most, before <= 0 ? 0 : loadOf(problem, rungs) / before - 1);
  }, 0);

const BISECTIONS = 12;

/** Among the seasons of the same length, one whose largest weekly growth is least. */
export function gentlest(problem: Problem, path: Rungs[], budget: Budget): Rungs[] {
  let best = path;
  let low = 0;
  let high = growthOf(problem, path);
  for (let step = 0; step < BISECTIONS && high - low > 1e-4; step += 1) {
    const middle = (low + high) / 2;
    const found = shortest(problem, middle, budget).path;
    if (found !== null && found.length <= path.length) {
      best = found;
      high = Math.min(middle, growthOf(problem, found));
    } else {
      low = middle;
    }
  }
  return best;
}

/** A full budget for one season. */
export const fullBudget = (): Budget => ({ left: MOST_TRIES });

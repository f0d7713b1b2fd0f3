import { checkRange } from '../words/checkRange';
import { groupBy } from '../words/groupBy';
import { doseOf } from './steps';

/** A strand as the planner sees it. Doses in seconds, breaths or repetitions. */
export interface SeasonStrand {
  readonly id: string;
  readonly family: string;
  readonly level: number;
  readonly target: number;
  readonly step: number;
  /** Week load and session minutes that one unit of dose costs. */
  readonly loadPerUnit: number;
  readonly minutesPerUnit: number;
  /** The largest dose within the school's budget of capacity; null when nothing limits it. */
  readonly mostDose: number | null;
  /** Opens only when another strand has come to a dose; null when it is open. */
  readonly gate: { readonly strandId: string; readonly dose: number } | null;
}

/** What no week may break (model §10). */
export interface GuardRails {
  /** One raise is at most this share of the level. */
  readonly growth: number;
  /** A full week's load is at most 1 + this times the larger of usual load and last full week. */
  readonly loadGrowth: number;
  readonly raisesPerFamily: number;
  readonly usualLoad: number;
  /** Load and minutes of what does not grow. */
  readonly baseLoad: number;
  readonly baseMinutes: number;
  readonly sessionMinutes: number | null;
  readonly mostWeeks: number;
}

export type Rail = 'load' | 'family' | 'minutes' | 'gate' | 'capacity';

export interface SeasonWeek {
  readonly levels: readonly number[];
  readonly raised: readonly boolean[];
  /** Why a strand short of its target was not raised; null when it was, or needs no raise. */
  readonly held: readonly (Rail | null)[];
  readonly load: number;
}
export interface Season {
  /** Full weeks, the present one first. */
  readonly weeks: readonly SeasonWeek[];
  /** Full weeks of raising until every target is reached; null when that cannot be. */
  readonly reachedIn: number | null;
  /** Largest growth of load from one full week to the next. */
  readonly largestGrowth: number;
  /** No shorter season exists under these rails. */
  readonly proven: boolean;
}

interface Problem {
  readonly strands: readonly SeasonStrand[];
  readonly rails: GuardRails;
  /** Level after each raise, from the present one to the last that can be reached. */
  readonly ladders: readonly (readonly number[])[];
  readonly doses: readonly (readonly number[])[];
  readonly gates: readonly (readonly [strand: number, dose: number] | null)[];
}
type Rungs = readonly number[];

/** Sets of raises the exact search may try before it settles for the best season found. */
const MOST_TRIES = 12_000;
/** With more open strands than this, not all subsets are tried. */
const MOST_OPEN = 10;
const TINY = 1e-9;

function ladder(strand: SeasonStrand, growth: number): number[] {
  const top = strand.mostDose === null ? strand.target : Math.min(strand.target, strand.mostDose);
  const levels = [strand.level];
  while (levels.at(-1)! < top - TINY) levels.push(Math.min(top, levels.at(-1)! * (1 + growth)));
  return levels;
}

function problemOf(strands: readonly SeasonStrand[], rails: GuardRails): Problem {
  checkRange('growth', rails.growth, 0.001, 1);
  checkRange('loadGrowth', rails.loadGrowth, 0, 10);
  checkRange('raisesPerFamily', rails.raisesPerFamily, 1, 100);
  checkRange('mostWeeks', rails.mostWeeks, 1, 520);
  strands.forEach((strand, index) => {
    checkRange(`strands[${index}].level`, strand.level, 1e-6, 1e6);
    checkRange(`strands[${index}].target`, strand.target, 1e-6, 1e6);
  });
  const ladders = strands.map((strand) => ladder(strand, rails.growth));
  const doses = ladders.map((levels, index) => levels.map((level) => doseOf(level, strands[index]!.step)));
  const gates = strands.map(({ gate }) => {
    if (gate === null) return null;
    const index = strands.findIndex((other) => other.id === gate.strandId);
    return index < 0 ? null : ([index, gate.dose] as const);
  });
  return { strands, rails, ladders, doses, gates };
}

const loadOf = ({ strands, rails, doses }: Problem, rungs: Rungs): number =>
  strands.reduce((sum, strand, index) => sum + strand.loadPerUnit * doses[index]![rungs[index]!]!, rails.baseLoad);

const minutesOf = ({ strands, rails, doses }: Problem, rungs: Rungs): number =>
  strands.reduce(
    (sum, strand, index) => sum + strand.minutesPerUnit * doses[index]![rungs[index]!]!,
    rails.baseMinutes,
  );

const isOpen = ({ doses, gates }: Problem, rungs: Rungs, index: number): boolean => {
  const gate = gates[index];
  return gate == null || doses[gate[0]]![rungs[gate[0]]!]! >= gate[1] - TINY;
};

const left = (problem: Problem, rungs: Rungs, index: number): number =>
  problem.ladders[index]!.length - 1 - rungs[index]!;
const isDone = (problem: Problem, rungs: Rungs): boolean =>
  rungs.every((_, index) => left(problem, rungs, index) === 0);

/** Adds raises in the given order as long as no rail breaks; says for each strand what held it. */
function fill(
  problem: Problem,
  rungs: Rungs,
  order: readonly number[],
  cap: number,
): { next: number[]; held: (Rail | null)[] } {
  const { rails, strands } = problem;
  const next = [...rungs];
  const held: (Rail | null)[] = strands.map(() => null);
  const raises = new Map<string, number>();
  for (const index of order) {
    const { family, mostDose, target } = strands[index]!;
    if (left(problem, rungs, index) === 0) {
      if (mostDose !== null && mostDose < target) held[index] = 'capacity';
      continue;
    }
    if (!isOpen(problem, rungs, index)) held[index] = 'gate';
    else if ((raises.get(family) ?? 0) >= rails.raisesPerFamily) held[index] = 'family';
    else {
      next[index]! += 1;
      if (loadOf(problem, next) > cap + TINY) held[index] = 'load';
      else if (rails.sessionMinutes !== null && minutesOf(problem, next) > rails.sessionMinutes + TINY)
        held[index] = 'minutes';
      if (held[index] === null) raises.set(family, (raises.get(family) ?? 0) + 1);
      else next[index]! -= 1;
    }
  }
  return { next, held };
}

const capOf = (problem: Problem, rungs: Rungs, growth: number): number =>
  (1 + growth) * Math.max(problem.rails.usualLoad, loadOf(problem, rungs));

/** Strands by the raises still to come, with those that wait behind their gate counted in. */
function urgency(problem: Problem, rungs: Rungs): number[] {
  const need = problem.strands.map((_, index) => left(problem, rungs, index));
  problem.gates.forEach((gate, index) => {
    if (gate !== null && !isOpen(problem, rungs, index)) need[gate[0]] = Math.max(need[gate[0]]!, 1) + need[index]!;
  });
  return problem.strands.map((_, index) => index).sort((a, b) => need[b]! - need[a]! || a - b);
}

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
interface Budget {
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
function shortest(problem: Problem, growth: number, budget: Budget): { path: Rungs[] | null; proven: boolean } {
  const quick = greedy(problem, growth);
  if (quick !== null && quick.length - 1 === lowerBound(problem, growth)) return { path: quick, proven: true };
  const most = Math.min(problem.rails.mostWeeks, quick === null ? problem.rails.mostWeeks : quick.length - 2);
  if (most < 0) return { path: quick, proven: true };
  const search = exact(problem, growth, most, budget);
  return search.path === null ? { path: quick, proven: search.complete } : { path: search.path, proven: true };
}

const growthOf = (problem: Problem, path: readonly Rungs[]): number =>
  path.slice(1).reduce((most, rungs, index) => {
    const before = Math.max(problem.rails.usualLoad, loadOf(problem, path[index]!));
    return Math.max(most, before <= 0 ? 0 : loadOf(problem, rungs) / before - 1);
  }, 0);

const BISECTIONS = 12;

/** Among the seasons of the same length, one whose largest weekly growth is least. */
function gentlest(problem: Problem, path: Rungs[], budget: Budget): Rungs[] {
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

/** As far as one gets when a target cannot be reached. */
function asFarAsItGoes(problem: Problem): Rungs[] {
  const path: Rungs[] = [problem.strands.map(() => 0)];
  while (path.length <= problem.rails.mostWeeks) {
    const rungs = path.at(-1)!;
    const { next } = fill(problem, rungs, urgency(problem, rungs), capOf(problem, rungs, problem.rails.loadGrowth));
    if (next.every((rung, index) => rung === rungs[index])) break;
    path.push(next);
  }
  return path;
}

function weeksOf(problem: Problem, path: readonly Rungs[]): SeasonWeek[] {
  return path.map((rungs, week) => {
    const before = path[week - 1] ?? rungs;
    const raised = rungs.map((rung, index) => rung > before[index]!);
    const order = [...urgency(problem, before)].sort((a, b) => Number(raised[b]) - Number(raised[a]));
    const { held } = fill(problem, before, order, capOf(problem, before, problem.rails.loadGrowth));
    return {
      levels: rungs.map((rung, index) => problem.ladders[index]![rung]!),
      raised,
      held: held.map((rail, index) =>
        raised[index] === true ? null : (rail ?? (left(problem, before, index) > 0 ? 'load' : null)),
      ),
      load: loadOf(problem, rungs),
    };
  });
}

/**
 * The planner: full weeks from today to the targets under the guard rails, in the fewest weeks and,
 * among those, with the least largest growth of load (model §10). Each raise is the growth of one
 * strand; lighter weeks are put in between by the calendar. Exact for seasons the search can
 * finish; otherwise `proven` is false and the season is the best found.
 * @throws RangeError that names the argument and its bounds.
 */
export function planSeason(strands: readonly SeasonStrand[], rails: GuardRails): Season {
  const problem = problemOf(strands, rails);
  const budget: Budget = { left: MOST_TRIES };
  const { path, proven } = shortest(problem, rails.loadGrowth, budget);
  const short = strands.some(({ mostDose, target }) => mostDose !== null && mostDose < target - TINY);
  if (path === null) {
    const far = asFarAsItGoes(problem);
    return { weeks: weeksOf(problem, far), reachedIn: null, largestGrowth: growthOf(problem, far), proven };
  }
  const best = gentlest(problem, path, budget);
  return {
    weeks: weeksOf(problem, best),
    reachedIn: short ? null : best.length - 1,
    largestGrowth: growthOf(problem, best),
    proven,
  };
}

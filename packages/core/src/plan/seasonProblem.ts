import { checkRange } from '../words/checkRange';
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

/** Strands and rails with everything worked out that the search asks for again and again. */
export interface Problem {
  readonly strands: readonly SeasonStrand[];
  readonly rails: GuardRails;
  /** Level after each raise, from the present one to the last that can be reached. */
  readonly ladders: readonly (readonly number[])[];
  readonly doses: readonly (readonly number[])[];
  readonly gates: readonly (readonly [strand: number, dose: number] | null)[];
}
/** How many raises each strand has had. */
export type Rungs = readonly number[];

export const TINY = 1e-9;

function ladder(strand: SeasonStrand, growth: number): number[] {
  const top = strand.mostDose === null ? strand.target : Math.min(strand.target, strand.mostDose);
  const levels = [strand.level];
  while (levels.at(-1)! < top - TINY) levels.push(Math.min(top, levels.at(-1)! * (1 + growth)));
  return levels;
}

export function problemOf(strands: readonly SeasonStrand[], rails: GuardRails): Problem {
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

export const loadOf = ({ strands, rails, doses }: Problem, rungs: Rungs): number =>
  strands.reduce((sum, strand, index) => sum + strand.loadPerUnit * doses[index]![rungs[index]!]!, rails.baseLoad);

export const minutesOf = ({ strands, rails, doses }: Problem, rungs: Rungs): number =>
  strands.reduce(
    (sum, strand, index) => sum + strand.minutesPerUnit * doses[index]![rungs[index]!]!,
    rails.baseMinutes,
  );

export const isOpen = ({ doses, gates }: Problem, rungs: Rungs, index: number): boolean => {
  const gate = gates[index];
  return gate == null || doses[gate[0]]![rungs[gate[0]]!]! >= gate[1] - TINY;
};

export const left = (problem: Problem, rungs: Rungs, index: number): number =>
  problem.ladders[index]!.length - 1 - rungs[index]!;
export const isDone = (problem: Problem, rungs: Rungs): boolean =>
  rungs.every((_, index) => left(problem, rungs, index) === 0);

/** Adds raises in the given order as long as no rail breaks; says for each strand what held it. */
export function fill(
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

export const capOf = (problem: Problem, rungs: Rungs, growth: number): number =>
  (1 + growth) * Math.max(problem.rails.usualLoad, loadOf(problem, rungs));

/** Strands by the raises still to come, with those that wait behind their gate counted in. */
export function urgency(problem: Problem, rungs: Rungs): number[] {
  const need = problem.strands.map((_, index) => left(problem, rungs, index));
  problem.gates.forEach((gate, index) => {
    if (gate !== null && !isOpen(problem, rungs, index)) need[gate[0]] = Math.max(need[gate[0]]!, 1) + need[index]!;
  });
  return problem.strands.map((_, index) => index).sort((a, b) => need[b]! - need[a]! || a - b);
}

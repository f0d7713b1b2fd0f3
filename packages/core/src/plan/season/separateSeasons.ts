import { Joint, type Label } from './joint';
import type { SeasonProblem, SeasonStrand } from './seasonProblem';
import { searchSeason, type FoundSeason } from './searchSeason';

/** Strands that may stand in each other's way by family or gate, in groups; what else they share is looked at when all are laid together. */
function groupsOf({ strands, rails }: SeasonProblem): number[][] {
  const group = strands.map((_, index) => index);
  const join = (one: number, other: number): void => {
    const [from, to] = [group[other]!, group[one]!];
    group.forEach((own, index) => {
      if (own === from) group[index] = to;
    });
  };
  strands.forEach((strand, index) => {
    if (strand.gate !== null) join(strand.gate.strand, index);
    const family = strands.flatMap((other, at) => (other.family === strand.family ? [at] : []));
    if (family.length > rails.raisesPerFamily) for (const other of family) join(index, other);
  });
  return [...new Set(group)].map((own) => group.flatMap((of, index) => (of === own ? [index] : [])));
}

/** The season of a group as if nothing weighed anything. */
function alone(problem: SeasonProblem, group: readonly number[]): SeasonProblem {
  const strands = group.map((index): SeasonStrand => {
    const strand = problem.strands[index]!;
    const gate = strand.gate === null ? null : { ...strand.gate, strand: group.indexOf(strand.gate.strand) };
    return { ...strand, gate, loadPerUnit: 0, minutesPerUnit: 0 };
  });
  const { raisesPerFamily } = problem.rails;
  return {
    ...problem,
    strands,
    rails: { raisesPerFamily, loadGrowth: 1, usualLoad: 0, baseLoad: 1, baseMinutes: 0, sessionMinutes: null },
  };
}

/**
 * The best season found group by group, where that is known to be the best of all: each group has one best season only,
 * nobody waits needlessly, and laid together they break no rail. Null where it is not known, and all have to be looked at
 * at once.
 */
export function separateSeasons(joint: Joint): FoundSeason | null {
  const { problem, firstWeek } = joint;
  const groups = groupsOf(problem);
  if (groups.length < 2) return null;
  const rising: boolean[][] = [];
  for (const group of groups) {
    const { masks, proven, unique, end } = searchSeason(new Joint(alone(problem, group)));
    if (!proven || !unique || end.needless > 0) return null;
    masks.forEach((mask, at) => {
      const week = (rising[at] ??= problem.strands.map(() => false));
      group.forEach((index, bit) => (week[index] = Math.floor(mask / 2 ** bit) % 2 === 1));
    });
  }
  let label: Label = joint.root();
  const none = problem.strands.map(() => false);
  for (let at = 0; !joint.finished(label, firstWeek + at); at += 1) {
    const week = firstWeek + at;
    if (week >= problem.mostWeeks) return null;
    if (joint.broken(label, week, rising[at] ?? none) !== null) return null;
    label = joint.next(label, week, rising[at] ?? none);
  }
  return label.needless > 0 ? null : { masks: label.masks, end: label, proven: true, unique: true };
}

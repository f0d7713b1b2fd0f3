import {
  TINY,
  capOf,
  fill,
  left,
  loadOf,
  problemOf,
  urgency,
  type GuardRails,
  type Problem,
  type Rail,
  type Rungs,
  type SeasonStrand,
} from './seasonProblem';
import { fullBudget, gentlest, growthOf, shortest } from './seasonSearch';

export type { GuardRails, Rail, SeasonStrand } from './seasonProblem';

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
  const budget = fullBudget();
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

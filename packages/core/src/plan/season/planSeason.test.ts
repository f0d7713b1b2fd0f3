import fc from 'fast-check';
import { anySmallSeason, seasonOf } from '../../testing/anySeason';
import { exhaustiveSeason, type SeasonValue } from '../../testing/exhaustiveSeason';
import { hardSeasons } from '../../testing/hardSeasons';
import { reachDose, topDose } from '../machine/judge';
import { Joint } from './joint';
import { planSeason, type Season } from './planSeason';
import { searchSeason } from './searchSeason';
import type { SeasonProblem } from './seasonProblem';

function valueOf({ strands, calendar, mostWeeks }: SeasonProblem, season: Season): SeasonValue {
  const last = calendar.start + 7 * mostWeeks;
  const days = season.strands.map(({ arrival, weeks }) => arrival ?? last + 1 / (1 + weeks.at(-1)!.level));
  const over = days.map((day, index) => {
    const { ladder, targetDay } = strands[index]!;
    return Math.max(0, (topDose(ladder) < reachDose(ladder) ? last : Math.min(day, last)) - targetDay);
  });
  const order = strands.map((_, index) => index).sort((a, b) => strands[a]!.targetDay - strands[b]!.targetDay || a - b);
  return {
    late: over.filter((by) => by > 0).length,
    daysLate: over.reduce((sum, by) => sum + by, 0),
    arrivals: order.map((index) => days[index]!),
    needless: season.needless,
    growth: season.largestGrowth,
  };
}

describe('the planner against every season there is', () => {
  test.each(hardSeasons.map((small, index) => [index, small] as const))(
    'is the same where no simple order of raises is the best (%i)',
    (_, small) => {
      const problem = seasonOf(small);
      const season = planSeason(problem);
      expect(season.proven).toBe(true);
      expect(valueOf(problem, season)).toEqual(exhaustiveSeason(problem));
      // And the search finds it by itself, without looking at groups first.
      const joint = new Joint(problem);
      const { end, proven } = searchSeason(joint);
      expect(proven).toBe(true);
      expect(end.arrivals).toEqual(season.strands.map(({ arrival }) => arrival ?? -1));
      expect([end.needless, end.growths[0] ?? 0]).toEqual([season.needless, season.largestGrowth]);
    },
  );

  test('is the same in all four aims, with gates, families, load, minutes, capacity and a usual load', () => {
    fc.assert(
      fc.property(anySmallSeason, (small) => {
        const problem = seasonOf(small);
        const season = planSeason(problem);
        expect(season.proven).toBe(true);
        expect(valueOf(problem, season)).toEqual(exhaustiveSeason(problem));
      }),
      { numRuns: 320, seed: 11 },
    );
  });
});

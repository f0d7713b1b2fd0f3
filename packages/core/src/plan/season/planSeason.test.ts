import fc from 'fast-check';
import { exhaustiveSeason, type SeasonValue } from '../../testing/exhaustiveSeason';
import { seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { reachDose, topDose } from '../machine/judge';
import { planSeason, type Season } from './planSeason';
import type { SeasonProblem, SeasonStrand } from './seasonProblem';

const any: fc.Arbitrary<SeasonProblem> = fc
  .record({
    strands: fc.array(
      fc.record({
        level: fc.integer({ min: 8, max: 20 }),
        rungs: fc.integer({ min: 0, max: 3 }),
        step: fc.constantFrom(1, 4),
        family: fc.constantFrom('standing', 'reeling'),
        days: fc.integer({ min: 3, max: 40 }),
        weight: fc.constantFrom(0.5, 1, 4),
        gate: fc.constantFrom<number | null>(null, null, null, 0, 1),
        shares: fc.constantFrom(false, false, false, true),
        gateRungs: fc.integer({ min: 0, max: 2 }),
        most: fc.constantFrom<number | null>(null, null, null, 1.1, 1.4),
      }),
      { minLength: 2, maxLength: 3 },
    ),
    raisesPerFamily: fc.constantFrom(1, 1, 2),
    loadGrowth: fc.constantFrom(0.03, 0.06, 0.12, 10),
    usualLoad: fc.constantFrom(0, 0, 60, 90, 120),
    baseLoad: fc.constantFrom(0, 20, 60),
    room: fc.constantFrom<number | null>(null, null, 0.4, 1.2, 2.5),
  })
  .map(({ strands, raisesPerFamily, loadGrowth, usualLoad, baseLoad, room }) => {
    const made = strands.map((one, index): SeasonStrand => {
      const gated = one.gate !== null && one.gate !== index && one.gate < strands.length;
      const other = gated ? strands[one.gate!]! : null;
      return seasonStrand({
        id: `s${index}`,
        family: one.family,
        // Now and then two strands are axes of one drill.
        segment: one.shares ? 'drill' : `s${index}`,
        level: one.level,
        target: one.level * 1.25 ** one.rungs,
        ladder: {
          step: one.step,
          first: 1,
          target: one.level * 1.25 ** one.rungs,
          most: one.most === null ? null : one.level * one.most,
          byRungs: false,
          mostBy: 'capacity',
        },
        targetDay: start + one.days,
        gate:
          other === null
            ? null
            : { strand: one.gate!, dose: Math.floor(other.level * 1.25 ** Math.min(one.gateRungs, other.rungs)) },
        loadPerUnit: one.weight,
      });
    });
    const minutes = made.reduce((sum, one) => sum + one.minutesPerUnit * one.levelBefore, 10);
    return seasonProblem(made, {
      rails: {
        raisesPerFamily,
        loadGrowth,
        usualLoad,
        baseLoad,
        baseMinutes: 10,
        sessionMinutes: room === null ? null : minutes + room,
      },
    });
  });

function valueOf(problem: SeasonProblem, season: Season): SeasonValue {
  const last = start + 7 * problem.mostWeeks;
  const { strands } = problem;
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
  test('is the same in all four aims, with gates, families, load, minutes, capacity and a usual load', () => {
    fc.assert(
      fc.property(any, (problem) => {
        const season = planSeason(problem);
        expect(season.proven).toBe(true);
        expect(valueOf(problem, season)).toEqual(exhaustiveSeason(problem));
      }),
      { numRuns: 320, seed: 11 },
    );
  });
});

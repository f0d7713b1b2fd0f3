import fc from 'fast-check';
import type { SeasonProblem, SeasonStrand } from '../plan/season/seasonProblem';
import { seasonProblem, seasonStart, seasonStrand } from './seasonSamples';

/** One strand of a small season. */
export interface SmallStrand {
  readonly level: number;
  /** Raises to its goal. */
  readonly rungs: number;
  readonly step: number;
  readonly family: string;
  /** Days to its goal. */
  readonly days: number;
  readonly weight: number;
  /** The strand it waits for, and for how many raises of it. */
  readonly gate: number | null;
  readonly gateRungs: number;
  /** Now and then two strands are axes of one drill. */
  readonly shares: boolean;
  /** What the body ends it at, in times the level. */
  readonly most: number | null;
}
/** A season that is small enough to try all there is. */
export interface SmallSeason {
  readonly strands: readonly SmallStrand[];
  readonly raisesPerFamily: number;
  readonly loadGrowth: number;
  readonly usualLoad: number;
  readonly baseLoad: number;
  /** Minutes that are left of the session. */
  readonly room: number | null;
}

const anyStrand = (families: readonly string[], rungs: number, days: number): fc.Arbitrary<SmallStrand> =>
  fc.record({
    level: fc.integer({ min: 8, max: 20 }),
    rungs: fc.integer({ min: 0, max: rungs }),
    step: fc.constantFrom(1, 4),
    family: fc.constantFrom(...families),
    days: fc.integer({ min: 3, max: days }),
    weight: fc.constantFrom(0.5, 1, 4),
    gate: fc.constantFrom<number | null>(null, null, null, 0, 1),
    shares: fc.constantFrom(false, false, false, true),
    gateRungs: fc.integer({ min: 0, max: 2 }),
    most: fc.constantFrom<number | null>(null, null, null, 1.1, 1.4),
  });

export const anySmallSeason: fc.Arbitrary<SmallSeason> = fc.record({
  strands: fc.array(anyStrand(['standing', 'reeling'], 3, 40), { minLength: 2, maxLength: 3 }),
  raisesPerFamily: fc.constantFrom(1, 1, 2),
  loadGrowth: fc.constantFrom(0.03, 0.06, 0.12, 10),
  usualLoad: fc.constantFrom(0, 0, 60, 90, 120),
  baseLoad: fc.constantFrom(0, 20, 60),
  room: fc.constantFrom<number | null>(null, null, 0.4, 1.2, 2.5),
});

/** One in which strands stand in each other's way nearly always. */
export const anyTightSeason: fc.Arbitrary<SmallSeason> = fc.record({
  strands: fc.array(anyStrand(['standing', 'standing', 'reeling'], 4, 35), { minLength: 2, maxLength: 3 }),
  raisesPerFamily: fc.constantFrom(1, 1, 2),
  loadGrowth: fc.constantFrom(0.06, 0.12, 0.2),
  usualLoad: fc.constantFrom(0, 0, 60),
  baseLoad: fc.constantFrom(0, 20),
  room: fc.constantFrom<number | null>(null, 0.6, 1.2),
});

export function seasonOf({ strands, room, ...rails }: SmallSeason): SeasonProblem {
  const made = strands.map((one, index): SeasonStrand => {
    const target = one.level * 1.25 ** one.rungs;
    const other = one.gate === null || one.gate === index ? undefined : strands[one.gate];
    const gate =
      other === undefined
        ? null
        : { strand: one.gate!, dose: Math.floor(other.level * 1.25 ** Math.min(one.gateRungs, other.rungs)) };
    return seasonStrand({
      id: `s${index}`,
      family: one.family,
      segment: one.shares ? 'drill' : `s${index}`,
      level: one.level,
      target,
      ladder: {
        step: one.step,
        first: 1,
        target,
        most: one.most === null ? null : one.level * one.most,
        byRungs: false,
        mostBy: 'strength',
        cap: null,
        growthShare: 1,
      },
      targetDay: seasonStart + one.days,
      gate,
      loadPerUnit: one.weight,
    });
  });
  const minutes = made.reduce((sum, one) => sum + one.minutesPerUnit * one.levelBefore, 10);
  return seasonProblem(made, {
    rails: { ...rails, baseMinutes: 10, sessionMinutes: room === null ? null : minutes + room },
  });
}

import { Joint, type Label } from './joint';
import { rulingOn, type AskedDose } from './playWeek';
import type { Rail, SeasonProblem } from './seasonProblem';
import { searchSeason } from './searchSeason';
import { separateSeasons } from './separateSeasons';

/** What keeps a strand where it is in a week though it was due. */
export interface Held {
  readonly rail: Rail;
  /** The strand it waits for; null where it is none. */
  readonly waitsFor: number | null;
}
export interface SeasonWeek {
  /** Week of the plan, from 0. */
  readonly week: number;
  readonly asked: readonly AskedDose[];
  readonly raised: boolean;
  /** An old level comes back in it. */
  readonly found: boolean;
  /** Closed until another strand has come far enough. */
  readonly closed: boolean;
  readonly held: Held | null;
  /** Levels at its beginning and end. */
  readonly from: number;
  readonly level: number;
}
export interface StrandSeason {
  readonly weeks: readonly SeasonWeek[];
  /** The first day that asks for the highest dose it may come to; null when none does. */
  readonly arrival: number | null;
  /** The same when nothing but the strand itself were in the way. */
  readonly alone: number | null;
  /** Whether it rises at the first moment of the season, what was due before counted in. */
  readonly risesNow: boolean;
}
export interface Season {
  readonly strands: readonly StrandSeason[];
  /** How many weeks are told. */
  readonly weekCount: number;
  /** Whether it is known that no season is better. */
  readonly proven: boolean;
  /** How often a strand waits though nothing binds; more than none only where that brings a goal nearer. */
  readonly needless: number;
  /** The largest growth of a week's load, as a share. */
  readonly largestGrowth: number;
}

/** @param decided which strands rise in the week; null behind the weeks that were gone through, where nothing is */
function heldBy(
  joint: Joint,
  label: Label,
  week: number,
  index: number,
  decided: readonly boolean[] | null,
): Held | null {
  const { strands } = joint.problem;
  const { gate } = strands[index]!;
  if (!joint.gateOpen(label, week, index) && !label.nodes[index]!.state.open)
    return { rail: 'gate', waitsFor: gate!.strand };
  if (decided === null || decided[index]! || !joint.step(label, week, index, true).raised) return null;
  const rail = joint.broken(label, week, decided.with(index, true)) ?? 'order';
  const same = (by: 'family' | 'segment'): number | undefined =>
    joint.order.find((other) => decided[other]! && strands[other]![by] === strands[index]![by]);
  const rose = joint.order.filter((other) => decided[other]!);
  const first: Partial<Record<Rail, number | undefined>> = {
    family: same('family'),
    axis: same('segment'),
    order: rose[0] ?? nearest(joint, index),
  };
  return { rail, waitsFor: (rail in first ? first[rail] : rose[0]) ?? null };
}

/** The strand whose day is nearest besides one, for which it makes room. */
const nearest = ({ order }: Joint, index: number): number | undefined => order.find((other) => other !== index);

/**
 * The best season of a plan (sources: Raising the load), played on the machine day by day with every session done and met.
 * @param weeks at least this many are told, from the present one
 */
export function planSeason(problem: SeasonProblem, weeks = 1): Season {
  const joint = new Joint(problem);
  const { masks, proven, end } = separateSeasons(joint) ?? searchSeason(joint);
  const { calendar, rules, strands } = problem;
  const told: SeasonWeek[][] = strands.map(() => []);
  let label = joint.root();
  // One more than it takes, so that the week that begins with the highest dose is told as well.
  const count = Math.max(weeks, masks.length + 1);
  for (let at = 0; at < count; at += 1) {
    const week = joint.firstWeek + at;
    const rising = strands.map((_, index) => Math.floor((masks[at] ?? 0) / 2 ** index) % 2 === 1);
    strands.forEach((_, index) => {
      const { state, level } = label.nodes[index]!;
      const gateOpen = joint.gateOpen(label, week, index);
      const played = joint.nodes[index]!.play(state, week, rising[index]!, gateOpen);
      told[index]!.push({
        week,
        asked: played.asked,
        raised: played.raised,
        found: played.found,
        closed: !played.state.open,
        held: heldBy(joint, label, week, index, at < masks.length ? rising : null),
        from: level,
        level: played.state.open ? played.state.level : 0,
      });
    });
    label = joint.next(label, week, rising);
  }
  const root = joint.root();
  return {
    strands: strands.map((strand, index) => {
      const { state } = strand;
      const turn = Math.floor((masks[0] ?? 0) / 2 ** index) % 2 === 1;
      const ruling = rulingOn(
        strand,
        calendar,
        rules,
        state,
        calendar.today,
        turn,
        joint.gateOpen(root, joint.firstWeek, index),
      );
      const alone = joint.earliest(root, joint.firstWeek, index);
      return {
        weeks: told[index]!,
        arrival: end.arrivals[index]! < 0 ? null : end.arrivals[index]!,
        alone: alone >= joint.lastDay ? null : alone,
        risesNow: ruling.because === 'raise' || ruling.because === 'opens',
      };
    }),
    weekCount: count,
    proven,
    needless: end.needless,
    largestGrowth: end.growths[0] ?? 0,
  };
}

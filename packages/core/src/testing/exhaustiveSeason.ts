import type { Ladder } from '../plan/machine/strandState';
import type { SeasonProblem } from '../plan/season/seasonProblem';

/** What a season comes to: goals late, days late, the day of each goal by the order of their days, the largest growth. */
export interface SeasonValue {
  readonly late: number;
  readonly daysLate: number;
  readonly arrivals: readonly number[];
  /** How often a strand was due, did not rise, and might have: nobody waits without something that binds. */
  readonly needless: number;
  readonly growth: number;
}

interface Standing {
  readonly level: number;
  readonly open: boolean;
  /** The first day on whose morning it may rise; for a first raise the evening of the second day. */
  readonly eligible: number;
  readonly evening: boolean;
  readonly arrival: number;
}
interface Branch {
  readonly strands: readonly Standing[];
  readonly needless: number;
  readonly growth: number;
}

/** The doses up to a value: whole steps, and the target itself. */
function floorTo(value: number, { step, target }: Pick<Ladder, 'step' | 'target'>): number {
  const steps = Math.max(step, Math.floor(value / step + 1e-6) * step);
  return target <= value + 1e-6 ? Math.max(steps, target) : steps;
}

/**
 * Every season there is, by brute force: all sets of raises in all weeks, waiting included. It knows nothing of the
 * planner: only practice on every day of the week, all of it met, two sessions before a raise, seven days between two.
 * For small problems without holidays, lighter weeks, or doses set by hand.
 */
export function exhaustiveSeason({ strands, calendar, rules, rails, mostWeeks }: SeasonProblem): SeasonValue {
  const { start } = calendar;
  const dose = (index: number, { level, open }: Pick<Standing, 'level' | 'open'>): number =>
    open ? floorTo(level, strands[index]!.ladder) : 0;
  const wanted = strands.map(({ ladder }) => ladder.target);
  const reach = strands.map(({ ladder }, index) =>
    ladder.most === null ? wanted[index]! : Math.min(wanted[index]!, floorTo(ladder.most, ladder)),
  );
  const load = (all: readonly Standing[]): number =>
    all.reduce((sum, { level, open }, index) => sum + (open ? level * strands[index]!.loadPerUnit : 0), rails.baseLoad);
  const minutes = (all: readonly Standing[]): number =>
    all.reduce((sum, entry, index) => sum + dose(index, entry) * strands[index]!.minutesPerUnit, rails.baseMinutes);
  const full = (index: number, level: number): boolean => {
    const { ladder } = strands[index]!;
    const now = floorTo(level, ladder);
    const multiple = Math.floor(now / ladder.step + 1e-6) * ladder.step + ladder.step;
    const next = ladder.target > now + 1e-6 ? Math.min(multiple, ladder.target) : multiple;
    return now >= reach[index]! || (ladder.most !== null && (now >= ladder.most || next > ladder.most));
  };
  /** A strand after a week in which it rises or not; null when it cannot rise. */
  const after = (index: number, now: Standing, week: number, rises: boolean, gateOpen: boolean): Standing | null => {
    const monday = start + 7 * week;
    const { ladder } = strands[index]!;
    let { level, open, eligible, evening, arrival } = now;
    let from = monday;
    if (rises && !open) {
      if (!gateOpen) return null;
      [open, eligible, evening] = [true, monday + 7, false];
    } else if (rises) {
      if (full(index, level)) return null;
      const day = Math.max(monday, eligible);
      if (day >= monday + 7) return null;
      level = Math.min(ladder.target, ladder.most ?? Infinity, level * (1 + rules.growth));
      from = evening && day === eligible ? day + 1 : day;
      [eligible, evening] = [day + 7, false];
    }
    if (open && arrival < 0 && floorTo(level, ladder) >= reach[index]! && from < monday + 7) arrival = from;
    return { level, open, eligible, evening, arrival };
  };
  const first: Branch = {
    strands: strands.map(({ state }) => ({
      level: state.level,
      open: state.open,
      eligible: start + 1,
      evening: true,
      arrival: -1,
    })),
    needless: 0,
    growth: 0,
  };
  let front = [first];
  for (let week = 0; week < mostWeeks; week += 1) {
    const next = new Map<string, Branch>();
    for (const branch of front) {
      const base = Math.max(rails.usualLoad, load(branch.strands));
      /** What a set of raises makes of the week; null where it is not allowed. */
      const moved = (set: number): readonly Standing[] | null => {
        const families = new Map<string, number>();
        const drills = new Map<string, number>();
        const all = branch.strands.map((now, index) => {
          const rises = ((set >> index) & 1) === 1;
          const { gate, family, segment } = strands[index]!;
          const gateOpen = gate === null || dose(gate.strand, branch.strands[gate.strand]!) >= gate.dose;
          if (rises) families.set(family, (families.get(family) ?? 0) + 1);
          if (rises) drills.set(segment, (drills.get(segment) ?? 0) + 1);
          return after(index, now, week, rises, gateOpen);
        });
        if (all.includes(null) || [...families.values()].some((count) => count > rails.raisesPerFamily)) return null;
        if ([...drills.values()].some((count) => count > 1)) return null;
        const whole = all as Standing[];
        const risen = whole.flatMap((_, index) => (((set >> index) & 1) === 1 ? [index] : []));
        // Alone in its week a strand may always open.
        const only = risen[0]!;
        const noLessAlone = risen.length === 1 && (!branch.strands[only]!.open || strands[only]!.ladder.byRungs);
        if (set !== 0 && !noLessAlone && load(whole) > (1 + rails.loadGrowth) * base * (1 + 1e-9)) return null;
        if (set !== 0 && rails.sessionMinutes !== null && minutes(whole) > rails.sessionMinutes + 1e-6) return null;
        return whole;
      };
      const sets = Array.from({ length: 2 ** strands.length }, (_, set) => moved(set));
      sets.forEach((whole, set) => {
        if (whole === null) return;
        const growth = Math.max(branch.growth, base <= 0 ? 0 : Math.round((load(whole) / base - 1) * 1e9) / 1e9);
        const waiting = strands.filter((_, index) => ((set >> index) & 1) === 0 && sets[set | (1 << index)] !== null);
        const needless = branch.needless + waiting.length;
        next.set(JSON.stringify([whole, needless, growth]), { strands: whole, needless, growth });
      });
    }
    front = [...next.values()];
  }
  const last = start + 7 * mostWeeks;
  const order = strands.map((_, index) => index).sort((a, b) => strands[a]!.targetDay - strands[b]!.targetDay || a - b);
  const values = front.map(({ strands: ended, needless, growth }): SeasonValue => {
    // What never comes to its end counts by how far it came; what the body cannot hold is late in any case.
    const days = ended.map(({ arrival, level, open }) => (arrival < 0 ? last + 1 / (1 + (open ? level : 0)) : arrival));
    const over = days.map((day, index) =>
      Math.max(0, (reach[index]! < wanted[index]! ? last : Math.min(day, last)) - strands[index]!.targetDay),
    );
    return {
      late: over.filter((by) => by > 0).length,
      daysLate: over.reduce((sum, by) => sum + by, 0),
      arrivals: order.map((index) => days[index]!),
      needless,
      growth,
    };
  });
  const list = ({ late, daysLate, arrivals, needless, growth }: SeasonValue): number[] => [
    late,
    daysLate,
    ...arrivals,
    needless,
    growth,
  ];
  return values.reduce((best, value) => {
    const at = list(value).findIndex((entry, index) => entry !== list(best)[index]);
    return at >= 0 && list(value)[at]! < list(best)[at]! ? value : best;
  });
}

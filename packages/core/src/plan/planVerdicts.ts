import type { Because, Ruling } from './machine/judge';
import type { Strand, VerdictKind } from '../goals/plan';
import type { PlanContext } from './planContext';
import { planSeason, type Held } from './season/planSeason';
import { rulingOn } from './season/playWeek';
import { weekOfDay } from './season/seasonCalendar';
import { Joint } from './season/joint';
import type { SeasonProblem } from './season/seasonProblem';
import { plateauOf, type Plateau } from './plateau/plateau';
import { easierWords, plateauWords } from './plateau/plateauWords';
import { capOf, seasonOfPlan, type PlanSeason } from './seasonOfPlan';
import { inOrder } from '../person/practicesThatTell';
import { doseOf, gridOf } from './steps';
import { stopReasons } from './stopReasons';
import { hasStrand } from './strandSessions';
import { verdictWords } from './verdictWords';

export interface Verdict {
  readonly strandId: string;
  readonly kind: VerdictKind;
  /** What the machine ruled by; `stop` for a sign to stop. */
  readonly because: Because | 'stop';
  /** The level after the verdict, unrounded; the dose is it rounded down to the step. */
  readonly level: number;
  readonly fromDose: number;
  readonly toDose: number;
  /** Whether the level is to change, or the strand to open; a verdict that leaves it needs no answer. */
  readonly moves: boolean;
  /** In plain words, the weightiest first. */
  readonly reasons: readonly string[];
  /** The practice it answers; null when there is none yet. */
  readonly logId: string | null;
  /** It has stopped rising although it is practised; see `waysOn`. Null where it has not. */
  readonly plateau: Plateau | null;
  /** A new baseline is due before anything else. */
  readonly retest: boolean;
  /** What it answers: a sign to stop, a gap without practice, or a practice. */
  readonly source: 'stop' | 'gap' | 'practice';
}

/** Whether the rails of the whole plan could ever make one strand wait for another. */
function contested({ strands, rails }: SeasonProblem): boolean {
  const families = new Map<string, number>();
  for (const { family } of strands) families.set(family, (families.get(family) ?? 0) + 1);
  const segments = new Set(strands.map(({ segment }) => segment));
  return (
    // Closed, or opened in this very week: an opening takes up what the week's load may grow by.
    strands.some(({ levelBefore }) => levelBefore === 0) ||
    segments.size < strands.length ||
    [...families.values()].some((count) => count > rails.raisesPerFamily)
  );
}

/** What is easier for a while is told, whatever else keeps the strand where it is. */
const easierReason = (strand: Strand, today: string, because: Because): string[] => {
  const words = because === 'easier' ? '' : easierWords(strand, today);
  return words === '' ? [] : [`Easier for a while: ${words}`];
};

/** What keeps a strand where it is that more practice alone does not change. */
const staying: readonly Because[] = ['partly', 'watch', 'effort', 'run', 'up and down'];

const gaps: readonly Because[] = ['gap', 'retest', 'find first', 'wait for practice'];

/**
 * Whether anything of a plan could change today if nothing but itself were in the way of each strand: where not, no verdict asks for an
 * answer. Much sooner said than the verdicts.
 */
export function mayChange(context: PlanContext): boolean {
  const { problem, locked } = seasonOfPlan(context);
  const { calendar, rules, strands } = problem;
  const joint = new Joint(problem);
  const root = joint.root();
  const week = weekOfDay(calendar, calendar.today);
  return strands.some((strand, index) => {
    if (locked.has(strand.id)) return false;
    const gateOpen = joint.gateOpen(root, week, index);
    const { level, because } = rulingOn(strand, calendar, rules, strand.state, calendar.today, true, gateOpen);
    return level !== null || because === 'retest';
  });
}

/** Whether each strand may rise now, and what it waits for; asked only when one is due. */
function turns({ problem }: PlanSeason, due: readonly boolean[]): readonly (Held | null)[] {
  if (!due.includes(true) || !contested(problem)) return problem.strands.map(() => null);
  const season = planSeason(problem);
  return season.strands.map(({ risesNow, weeks }, index) =>
    risesNow || !due[index]! ? null : (weeks[0]!.held ?? { rail: 'order', waitsFor: null }),
  );
}

/**
 * The verdicts on all strands of a plan today: raise, stay, ease, or stop and refer (sources: Raising the load). A raise after two met
 * sessions and by 2–10 %: ACSM position stand 2009, from memory; the other numbers are house values and settings of the
 * school. The machine rules; the planner says whose turn it is where not all may rise.
 */
export function planVerdicts(context: PlanContext): Verdict[] {
  const season = seasonOfPlan(context);
  const { problem, strands } = season;
  const { calendar, rules } = problem;
  const joint = new Joint(problem);
  const root = joint.root();
  const week = weekOfDay(calendar, calendar.today);
  const rule = (index: number, turn: boolean): Ruling => {
    const strand = problem.strands[index]!;
    return rulingOn(strand, calendar, rules, strand.state, calendar.today, turn, joint.gateOpen(root, week, index));
  };
  // What a sign has locked is never due.
  const due = strands.map((_, index) => ['raise', 'opens'].includes(rule(index, true).because));
  // A gap that was practised over is answered like a practice; one that still lasts grows.
  const absent = (index: number): boolean => calendar.today - problem.strands[index]!.state.lastOn >= rules.stayGapDays;
  const held = turns(season, due);
  const logs = inOrder(context.logs);
  const newest = logs.toReversed();
  return strands.map((strand, index): Verdict => {
    const own = newest.filter((log) => log.day <= context.today && hasStrand(log, strand));
    const fromDose = doseOf(strand.level, gridOf(strand));
    const signs = stopReasons(strand, newest, context.rule, context.exercises);
    const base = { strandId: strand.id, fromDose };
    if (signs.length > 0) {
      return {
        ...base,
        kind: 'stop',
        because: 'stop',
        level: strand.level,
        toDose: fromDose,
        moves: false,
        reasons: [...signs.slice(0, MOST_SIGNS), REFER],
        logId: newest[0]!.id,
        plateau: null,
        retest: false,
        source: 'stop',
      };
    }
    const ruling = rule(index, held[index] === null);
    const level = ruling.level ?? strand.level;
    const toDose = doseOf(level, gridOf(strand));
    const asked = { strand, logs, rules, today: context.today, cap: capOf(context, strand) };
    const plateau = level === strand.level && staying.includes(ruling.because) ? plateauOf(asked) : null;
    return {
      ...base,
      // What is saved up, or put back, shows in no dose.
      kind: toDose === fromDose && ruling.because !== 'opens' ? 'stay' : ruling.kind,
      because: ruling.because,
      level,
      toDose,
      moves: level !== strand.level || ruling.because === 'opens',
      reasons: [
        ...(plateau === null ? [] : [plateauWords(plateau, strand.axis)]),
        ...easierReason(strand, context.today, ruling.because),
        ...verdictWords({ context, season, index, ruling, own, held: held[index]! }),
      ],
      logId: own[0]?.id ?? null,
      plateau,
      retest: ruling.because === 'retest',
      source: gaps.includes(ruling.because) && absent(index) ? 'gap' : 'practice',
    };
  });
}

/** A verdict keeps so many signs at most. */
const MOST_SIGNS = 10;
const REFER = 'Locked until you clear it. See a licensed practitioner before going on.';

import { differenceInCalendarDays, parseISO } from 'date-fns';
import { pointsInWork, type Correction } from '../corrections/correction';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import { axisWords } from '../words/axisWords';
import { alignmentShare, metShare } from './metShare';
import type { Plan, Strand, VerdictKind } from './plan';
import { isLighterWeek, weekOf } from './planDay';
import { doseOf, floorToStep } from './steps';
import { stopReasons } from './stopReasons';

export interface Verdict {
  readonly strandId: string;
  readonly kind: VerdictKind;
  /** The level after the verdict, unrounded; the dose is it rounded down to the step. */
  readonly level: number;
  readonly fromDose: number;
  readonly toDose: number;
  /** Whether the level is to change; a verdict that leaves it needs no answer. */
  readonly moves: boolean;
  /** In plain words, the weightiest first. */
  readonly reasons: readonly string[];
  /** The practice it answers; null when there is none yet. */
  readonly logId: string | null;
  /** A new baseline is due before anything else. */
  readonly retest: boolean;
  /** What it answers: a sign to stop, a gap without practice, or a practice. */
  readonly source: 'stop' | 'gap' | 'practice';
}

interface Case {
  readonly plan: Plan;
  readonly strand: Strand;
  readonly rule: RaiseRule;
  /** Logs with something of the strand, the newest first. */
  readonly logs: readonly PracticeLog[];
  /** All logs of the student: a serious sign in any of them stops every strand. */
  readonly all: readonly PracticeLog[];
  readonly exercises: ReadonlyMap<string, Pick<Exercise, 'posture' | 'family'>>;
  /** Those of them at the present dose. */
  readonly atDose: readonly PracticeLog[];
  readonly corrections: readonly Correction[];
  readonly today: string;
}

type Ruling = Pick<Verdict, 'kind' | 'level' | 'reasons'> & Partial<Pick<Verdict, 'retest' | 'source'>>;
type Rule = (input: Case) => Ruling | null;

const MET = 0.995;
const percent = (share: number): string => `${Math.round(share * 100)} %`;
const daysBetween = (from: string, to: string): number => differenceInCalendarDays(parseISO(to), parseISO(from));

/** One rung down: the level before the last growth, at least one step lower, never below one step. */
function easedLevel({ plan, strand }: Case): number {
  const dose = doseOf(strand.level, strand.step);
  return Math.max(strand.step, Math.min(strand.level / (1 + plan.growthPerWeek), dose - strand.step));
}

/** A verdict keeps so many reasons at most. */
const MOST_SIGNS = 10;

const stopSigns: Rule = ({ strand, rule, all, exercises }) => {
  const signs = stopReasons(strand, all, rule, exercises).slice(0, MOST_SIGNS);
  if (signs.length === 0) return null;
  const refer = 'Locked until you clear it. See a licensed practitioner before going on.';
  return { kind: 'stop', source: 'stop', level: strand.level, reasons: [...signs, refer] };
};

const gap: Rule = (input) => {
  const { strand, rule, today, logs } = input;
  const [last] = logs;
  if (last === undefined) return null;
  const days = daysBetween(last.day, today);
  if (days >= rule.retestGapDays) {
    return {
      kind: 'ease',
      source: 'gap',
      level: easedLevel(input),
      retest: true,
      reasons: [`${days} days without practice: test the baseline again; until then one rung down.`],
    };
  }
  if (days >= rule.easeGapDays) {
    const reasons = [`${days} days without practice: one rung down.`];
    return { kind: 'ease', source: 'gap', level: easedLevel(input), reasons };
  }
  if (days >= rule.stayGapDays) {
    const reasons = [`${days} days without practice: find the old dose again first.`];
    return { kind: 'stay', source: 'gap', level: strand.level, reasons };
  }
  return null;
};

const tooMuch: Rule = (input) => {
  const { strand, rule, atDose } = input;
  const [last, before] = atDose;
  if (last?.effort != null && last.effort >= rule.easeEffort) {
    return {
      kind: 'ease',
      level: easedLevel(input),
      reasons: [`Effort ${last.effort} of 10 on ${last.day}; from ${rule.easeEffort} on the dose goes one rung down.`],
    };
  }
  if (last === undefined || before === undefined) return null;
  const kept = [last, before].map((log) => alignmentShare(log, strand));
  if (kept.every((share) => share < rule.partlyMet)) {
    const shares = kept.map(percent).join(' and ');
    return {
      kind: 'ease',
      level: easedLevel(input),
      reasons: [`Alignment was lost after ${shares} of the round, twice running.`],
    };
  }
  const met = [last, before].map((log) => metShare(log, strand) ?? 0);
  if (met.every((share) => share < rule.partlyMet)) {
    const shares = met.map(percent).join(' and ');
    return {
      kind: 'ease',
      level: easedLevel(input),
      reasons: [
        `Only ${shares} of the dose was met, twice running; below ${percent(rule.partlyMet)} it goes one rung down.`,
      ],
    };
  }
  return null;
};

const notYet: Rule = ({ plan, strand, rule, atDose: logs, today, logs: all, corrections }) => {
  const stay = (...reasons: string[]): Ruling => ({ kind: 'stay', level: strand.level, reasons });
  const [last] = logs;
  if (last === undefined) {
    return stay(all.length === 0 ? 'Nothing practised yet: begin here.' : 'Not practised at this dose yet.');
  }
  const share = metShare(last, strand) ?? 0;
  const kept = alignmentShare(last, strand);
  if (kept < 1) return stay(`Alignment was kept until ${percent(kept)} of the round; the rest does not count yet.`);
  if (share < MET) return stay(`${percent(share)} of the dose was met on ${last.day}; all of it is wanted.`);
  const recent = logs.slice(0, rule.sessionsToRaise);
  const met = recent.filter((log) => (metShare(log, strand) ?? 0) >= MET);
  if (met.length < rule.sessionsToRaise) {
    const running = recent.findIndex((log) => (metShare(log, strand) ?? 0) < MET);
    const times = running < 0 ? recent.length : running;
    return stay(
      `Met ${times === 1 ? 'once' : `${times} times`} running; ${rule.sessionsToRaise} are wanted before a raise.`,
    );
  }
  const unnoted = recent.find((log) => log.effort === null);
  if (unnoted !== undefined) return stay(`No effort was noted on ${unnoted.day}, so nothing is raised.`);
  const hardest = Math.max(...recent.map((log) => log.effort!));
  if (hardest > rule.effortCeiling) {
    return stay(`Effort ${hardest} of 10; up to ${rule.effortCeiling} the dose may be raised.`);
  }
  const [point] = pointsInWork(corrections, strand.heldBy, today);
  if (point !== undefined) {
    return stay(
      `Being worked on: ${point.region} (last seen ${point.last}). Nothing is raised until a cue has helped.`,
    );
  }
  if (strand.level >= strand.target) return stay('The target is reached: keep it, or set a new one.');
  const first = strand.gate === null ? undefined : plan.strands.find((entry) => entry.id === strand.gate!.strandId);
  if (strand.gate !== null && first !== undefined && doseOf(first.level, first.step) < strand.gate.dose) {
    const wanted = axisWords(strand.gate.dose, first.axis);
    return stay(`It opens when ${first.exerciseName} is at ${wanted}.`);
  }
  if (isLighterWeek(plan, weekOf(plan, today))) return stay('This is a lighter week: nothing is raised in it.');
  if (plan.frozenWeeks.includes(weekOf(plan, today))) return stay('You froze this week: nothing is raised in it.');
  if (strand.raisedOn !== null && daysBetween(strand.raisedOn, today) < 7) {
    return stay(`Raised ${daysBetween(strand.raisedOn, today)} days ago; once a week is enough.`);
  }
  return null;
};

function raise({ plan, strand, rule }: Case): Ruling {
  const { step, axis, target } = strand;
  const level = Math.min(target, strand.level * (1 + plan.growthPerWeek));
  const from = doseOf(strand.level, step);
  const to = doseOf(level, step);
  const why = `Met ${rule.sessionsToRaise} times running at effort ${rule.effortCeiling} or less, alignment kept.`;
  if (to > from) {
    const whyNotMore = `Not more: at most ${percent(plan.growthPerWeek)} a week.`;
    return { kind: 'raise', level, reasons: [why, level >= target ? 'This is the target.' : whyNotMore] };
  }
  const next = axisWords(floorToStep(from + step, step), axis);
  return {
    kind: 'stay',
    level,
    reasons: [
      why,
      `The raise of ${percent(plan.growthPerWeek)} is carried: ${next} would be ${percent(step / from)} more at once.`,
    ],
  };
}

const rules: readonly Rule[] = [stopSigns, gap, tooMuch, notYet];

/**
 * The verdict on one strand after the logs there are: raise, stay, ease, or stop and refer
 * (model §10; raise after two met sessions and by 2–10 %: ACSM position stand 2009, from memory;
 * the other numbers are house values and settings of the school).
 * @param logs all logs of the student, in any order
 * @param today YYYY-MM-DD
 * @param corrections of the student, in any order; only those of the checkpoints that hold the strand count
 * @param exercises by id, to tell which strands are done sitting
 */
export function verdict(
  plan: Plan,
  strand: Strand,
  logs: readonly PracticeLog[],
  rule: RaiseRule,
  today: string,
  corrections: readonly Correction[] = [],
  exercises: ReadonlyMap<string, Pick<Exercise, 'posture' | 'family'>> = new Map(),
): Verdict {
  const ofStrand = logs.filter((log) => metShare(log, strand) !== null);
  const ahead = ofStrand.filter((log) => log.day > today).length;
  const own = ofStrand
    .filter((log) => log.day <= today)
    .toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt) || (a.id < b.id ? 1 : -1));
  const { changedAt } = strand;
  const atDose = own.filter((log) => changedAt === null || Date.parse(log.startedAt) > Date.parse(changedAt));
  const all = logs.toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt));
  const input: Case = { plan, strand, rule, logs: own, all, exercises, atDose, corrections, today };
  const ruling = firstRuling(input) ?? raise(input);
  const fromDose = doseOf(strand.level, strand.step);
  return {
    strandId: strand.id,
    kind: ruling.kind,
    level: ruling.level,
    fromDose,
    toDose: doseOf(ruling.level, strand.step),
    moves: ruling.level !== strand.level,
    reasons: ahead === 0 ? ruling.reasons : [...ruling.reasons, aheadWords(ahead)],
    logId: (ruling.source === 'stop' ? all : own)[0]?.id ?? null,
    retest: ruling.retest ?? false,
    source: ruling.source ?? 'practice',
  };
}

const aheadWords = (count: number): string =>
  count === 1
    ? 'One practice is dated after today and does not count yet.'
    : `${count} practices are dated after today and do not count yet.`;

function firstRuling(input: Case): Ruling | null {
  for (const rule of rules) {
    const ruling = rule(input);
    if (ruling !== null) return ruling;
  }
  return null;
}

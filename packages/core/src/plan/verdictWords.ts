import { percent } from '../words/percent';
import { pointsInWork } from '../corrections/correction';
import type { PracticeLog } from '../practice/log';
import { wayWords } from '../library/wayWords';
import { axisWords } from '../axis/axisWords';
import { shortDay } from '../words/shortDay';
import { doseLimitWords } from './doseLimitWords';
import { heldWords } from './weekReason';
import { dayNumber, dayOfNumber } from '../days/dayNumber';
import { reachDose, type Ruling } from './machine/judge';
import { DAYS_AFTER_EASE, DAYS_BETWEEN_EASES, DAYS_BETWEEN_RAISES, FIND_AGAIN } from './machine/strandState';
import type { Strand } from '../goals/plan';
import { growthOfStrand, growthWords, type Growth } from './growth';
import { practiceDaysOf, type PlanContext } from './planContext';
import type { Held } from './season/planSeason';
import { capOf, type PlanSeason } from './seasonOfPlan';
import { isOpen } from './stateOfStrand';
import { isSinceCleared, loadsWhatHurts, painSaid } from './stopReasons';
import { doseOf, gridOf, nextDose } from './steps';
import { alignmentShare, hasStrand, metShare, missingRows, sessionOf, strandEffort } from './strandSessions';

export interface Ruled {
  readonly context: PlanContext;
  readonly season: PlanSeason;
  readonly index: number;
  readonly ruling: Ruling;
  /** Practices of the strand up to today, the newest first. */
  readonly own: readonly PracticeLog[];
  /** What keeps it from rising though it is due; null when it is its turn. */
  readonly held: Held | null;
}

const times = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);

/** Practices since the level last changed that asked for the present dose, the newest first. */
function atDose({ own, context }: Ruled, strand: Strand): PracticeLog[] {
  const changed = strand.changedAt === null ? -Infinity : Date.parse(strand.changedAt);
  const cap = capOf(context, strand);
  return own.filter((log) => Date.parse(log.startedAt) > changed && sessionOf(log, strand, cap)!.counts);
}

function partlyWords(log: PracticeLog, strand: Strand): string {
  const missing = missingRows(log, strand)
    .map((row) => wayWords(row))
    .filter((words) => words !== '');
  const day = shortDay(log.day);
  if (missing.length > 0) return `On ${day} nothing was noted for ${missing.join(' and ')}; all sides are wanted.`;
  return `${percent(metShare(log, strand) ?? 0)} of the dose was met on ${day}; all of it is wanted.`;
}

/** Whether a raise is being saved up: the level is beyond its dose, and the dose is not the last one. */
export function isSavingUp(strand: Strand): boolean {
  const dose = doseOf(strand.level, gridOf(strand));
  return isOpen(strand) && strand.lost.length === 0 && strand.level > dose + 1e-6 && dose < reachDose(strand);
}

/** What the raise that is saved up comes to: `11 of the 16 repetitions`. */
export function savedWords(strand: Pick<Strand, 'step' | 'axis' | 'start' | 'target'>, level: number): string {
  const dose = doseOf(level, gridOf(strand));
  const next = nextDose(dose, gridOf(strand));
  const saved = strand.axis === 'time' ? Math.floor(level) : Math.floor(level * 10) / 10;
  return `${axisWords(saved, strand.axis)} of the ${axisWords(next, strand.axis)}`;
}

/** Why a ruling is what it is, in a teacher's words, the weightiest first. */
export function verdictWords(ruled: Ruled): string[] {
  const { context, season, index } = ruled;
  const strand = season.strands[index]!;
  const ahead = context.logs.filter((log) => log.day > context.today && hasStrand(log, strand)).length;
  const over = overWords(ruled, strand);
  const asked = unasked(ruled, strand);
  return [
    ...mainWords(ruled, strand),
    ...soreWords(ruled, strand),
    ...(asked === null ? [] : [asked]),
    ...(over === null ? [] : [over]),
    ...(ahead === 0 ? [] : [aheadWords(ahead)]),
  ];
}

/** A pain of so many days is pointed out before more is asked. House value. */
const SORE_DAYS = 7;
const more: readonly Ruling['because'][] = ['raise', 'found', 'opens'];

/** Pain that stops nothing yet is told where more is to be asked of the place. */
function soreWords({ context, ruling }: Ruled, strand: Strand): string[] {
  if (!more.includes(ruling.because)) return [];
  const { logs, today, exercises } = context;
  const since = dayNumber(today) - SORE_DAYS;
  const sorest = logs
    .filter((log) => (log.pain ?? 0) > 0 && log.day <= today && dayNumber(log.day) > since)
    .filter((log) => isSinceCleared(log, strand.clearedAt))
    .filter((log) => loadsWhatHurts(strand, log, exercises))
    .toSorted((a, b) => b.pain! - a.pain! || b.day.localeCompare(a.day))[0];
  return sorest === undefined
    ? []
    : [`${painSaid(sorest)} was noted on ${shortDay(sorest.day)}: ask how it is before you answer.`];
}

const aheadWords = (count: number): string =>
  count === 1
    ? 'One practice is dated after today and does not count yet.'
    : `${count} practices are dated after today and do not count yet.`;

/** Practices at a smaller dose than the present one are no test of it. */
function unasked({ own, ruling }: Ruled, strand: Strand): string | null {
  if (ruling.because !== 'begin') return null;
  const changed = strand.changedAt === null ? -Infinity : Date.parse(strand.changedAt);
  const less = own.filter((log) => Date.parse(log.startedAt) > changed).length;
  return less === 0 ? null : 'The practices since then asked for less: they count, but are no test of this dose.';
}

/** A level above its limit is pointed out, whatever the verdict. */
function overWords({ context, ruling }: Ruled, strand: Strand): string | null {
  const limit = context.mostDoses.get(strand.id);
  if (limit === undefined || limit.from === 'instead') return null;
  const grid = gridOf(strand);
  const dose = doseOf(strand.level, grid);
  if (dose <= Math.max(limit.dose, doseOf(limit.dose, grid)) + 1e-6) return null;
  const now = axisWords(dose, strand.axis);
  const said = ruling.because === 'capacity' ? '' : ` ${doseLimitWords(strand, limit)}`;
  return limit.from === 'noted'
    ? `The plan is at ${now}; no more than ${axisWords(limit.dose, strand.axis)} is asked.${said}`
    : `${now} is more than that: look at it.${said}`;
}

function mainWords(ruled: Ruled, strand: Strand): string[] {
  const { context, season, index, ruling, own } = ruled;
  const { rule, today } = context;
  const { state } = season.problem.strands[index]!;
  const limit = context.mostDoses.get(strand.id);
  const [last] = own;
  const days = last === undefined ? 0 : dayNumber(today) - dayNumber(last.day);
  const marks = atDose(ruled, strand);
  const growth = growthOfStrand(strand, context.plan, rule, practiceDaysOf(context));
  const down = downWords(strand, ruling);
  switch (ruling.because) {
    case 'retest': {
      const gone = days >= rule.retestGapDays ? days : state.gap;
      const before = days >= rule.retestGapDays ? '' : ` before ${shortDay(last!.day)}`;
      return [
        down === null
          ? `${gone} days without practice${before}: test the baseline again before anything is raised.`
          : `${gone} days without practice${before}: test the baseline again; until then ${down.what}.`,
      ];
    }
    case 'gap': {
      const gap = days >= rule.easeGapDays ? days : state.gap;
      return [
        `${gap} days without practice${days >= rule.easeGapDays ? '' : ` before ${shortDay(last!.day)}`}: ${down!.what}.`,
        down!.back,
      ];
    }
    case 'find first':
      return [`${days} days without practice: find the old dose again first.`];
    case 'wait for practice':
      return [`${days} days without practice; it was eased for that and waits for the first practice.`];
    case 'loose': {
      const shares = marks.slice(0, 2).map((log) => percent(alignmentShare(log, strand)));
      return [
        `Alignment was lost after ${shares.join(' and ')} of the round, twice in a row: ${down!.what}.`,
        down!.back,
      ];
    }
    case 'short': {
      const shares = marks.slice(0, 2).map((log) => percent(metShare(log, strand) ?? 0));
      const limit = percent(rule.partlyMet);
      return [
        `Only ${shares.join(' and ')} of the dose was done, twice in a row; below ${limit} ${down!.what}.`,
        down!.back,
      ];
    }
    case 'hard': {
      const efforts = marks.slice(0, 3).map((log) => strandEffort(log, strand) ?? '–');
      return [
        `Effort ${efforts.join(', ')} of 10 recently; twice in three from ${rule.easeEffort} on, ${down!.what}.`,
        down!.back,
      ];
    }
    case 'up and down':
      return [
        `Effort ${rule.easeEffort} or more every other time, although it was eased for that: it stays at this dose.`,
      ];
    case 'eased lately':
      return [`Eased ${daysSince(state.easedOn, today)}; once in ${DAYS_BETWEEN_EASES} days is enough.`];
    case 'floor':
      return ['It would be eased, but this is its first dose: look at posture and rest instead.'];
    case 'begin':
      return [own.length === 0 ? 'Nothing practised yet: begin here.' : 'Not practised at this dose yet.'];
    case 'partly': {
      const kept = alignmentShare(marks[0]!, strand);
      if (kept < 1) return [`Alignment was kept until ${percent(kept)} of the round; the rest does not count yet.`];
      return [partlyWords(marks[0]!, strand)];
    }
    case 'watch':
      return [
        `Effort ${strandEffort(marks[0]!, strand)} of 10 on ${shortDay(marks[0]!.day)}: one hard day alone; stay, and watch.`,
      ];
    case 'run': {
      const wanted = state.lost.length > 0 ? FIND_AGAIN : rule.sessionsToRaise;
      const what = state.lost.length > 0 ? 'before the old dose returns' : 'before a raise';
      return [`Done in full ${times(state.metRun)}; ${wanted} in a row are needed ${what}.`];
    }
    case 'effort': {
      const recent = marks.slice(0, state.lost.length > 0 ? FIND_AGAIN : rule.sessionsToRaise);
      const unnoted = recent.find((log) => strandEffort(log, strand) === null);
      if (unnoted !== undefined) return [`No effort noted on ${shortDay(unnoted.day)}, so nothing is raised.`];
      const hardest = Math.max(...recent.map((log) => strandEffort(log, strand)!));
      return [`Effort ${hardest} of 10; up to ${rule.effortCeiling} the dose may be raised.`];
    }
    case 'back':
      return ['Back after a gap, and done in full: once more at this dose, then it may rise.'];
    case 'point': {
      const [point] = pointsInWork(context.corrections, strand.heldBy, today);
      return [
        `Being worked on: ${point!.region} (last seen ${shortDay(point!.last)}). Nothing is raised until a cue has helped.`,
      ];
    }
    case 'after ease':
      return [`Eased ${daysSince(state.easedOn, today)}; nothing is raised within ${DAYS_AFTER_EASE} days after that.`];
    case 'reached':
      return ['The goal is reached: stay with it, or set a new one.'];
    case 'capacity':
      if (season.problem.strands[index]!.ladder.mostBy === 'minutes')
        return ['The practice has no more minutes; shorten something else, or let it be longer.'];
      return [`${doseLimitWords(strand, limit)!} ${limit!.mend}`];
    case 'instead':
      return [`It stays ${limit!.reason}. What is practised instead counts as practice, and does not raise it.`];
    case 'holiday':
      return ['A holiday: nothing is raised while it lasts.'];
    case 'lighter':
      return ['This is a lighter week: nothing is raised in it.'];
    case 'frozen':
      return ['You froze this week: nothing is raised in it.'];
    case 'easier':
      return [`An easier posture until ${shortDay(strand.easier!.until)}; until then nothing is raised.`];
    case 'week':
      return [`Raised ${daysSince(state.raisedOn, today)}; once in ${DAYS_BETWEEN_RAISES} days is enough.`];
    case 'gate': {
      const first = season.strands[season.problem.strands[index]!.gate!.strand]!;
      return [
        `It opens when ${first.exerciseName} is at ${axisWords(strand.gate!.dose, first.axis)}; until then it is left out.`,
      ];
    }
    case 'turn':
      return [`Due, but ${heldWords(ruled.held!, season.strands)}.`];
    case 'opens':
      return ['What it waited for is reached: it opens with its first dose.'];
    case 'found':
      return ['Done in full twice at the lower dose: the old dose is back, in one step.'];
    case 'raise':
      return raiseWords(strand, ruling.level!, growth, rule.sessionsToRaise, rule.effortCeiling);
  }
}

/** What an ease comes to: a lower dose, or the same one, where only what was saved up goes. Null where nothing moves. */
function downWords(strand: Strand, { level }: Ruling): { what: string; back: string } | null {
  if (level === null) return null;
  return doseOf(level, gridOf(strand)) < doseOf(strand.level, gridOf(strand))
    ? { what: 'it goes one step down', back: 'Done in full twice there, the old dose comes back in one step.' }
    : {
        what: 'what was saved up for the next dose is put back',
        back: 'The dose stays; done in full twice, what was saved comes back in one step.',
      };
}

function daysSince(day: number, today: string): string {
  const ago = dayNumber(today) - day;
  return ago === 0 ? 'today' : ago === 1 ? 'yesterday' : `${ago} days ago, on ${shortDay(dayOfNumber(day))}`;
}

function raiseWords(strand: Strand, level: number, growth: Growth, sessions: number, ceiling: number): string[] {
  const why = `Done in full ${times(sessions)}${sessions > 1 ? ' in a row' : ''} at effort ${ceiling} or less, alignment kept.`;
  if (doseOf(level, gridOf(strand)) > doseOf(strand.level, gridOf(strand))) {
    return [why, level >= strand.target ? 'This is the goal.' : `Not more: at most ${growthWords(growth)}.`];
  }
  return [why, `The raise of ${percent(growth.share)} is saved up: ${savedWords(strand, level)}.`];
}

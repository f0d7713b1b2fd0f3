import { differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import { applied, type Accepted } from './machine/applied';
import { dayNumber, dayOfNumber } from '../days/dayNumber';
import { NEVER } from './machine/strandState';
import type { Decision, Plan, Strand } from '../goals/plan';
import { withWholeSteps } from './plateau/wholeSteps';
import type { Verdict } from './planVerdicts';
import { storedState } from './stateOfStrand';
import { doseOf, gridOf } from './steps';

export interface Answer {
  readonly outcome: Exclude<Decision['outcome'], 'another way'>;
  /** The level wanted; the verdict's own when it is accepted. */
  readonly level: number;
  readonly teacherReason: string;
}

const dayOrNull = (day: number): string | null => (day === NEVER ? null : dayOfNumber(day));

/** A strand after a ruling that was accepted: the machine's own step, as it is stored. */
function ruled(strand: Strand, ruling: Accepted, now: Date): Strand {
  const today = formatISO(now, { representation: 'date' });
  const before = storedState(strand);
  const after = applied(before, ruling, dayNumber(today));
  return {
    ...strand,
    level: after.level,
    lost: [...after.lost],
    raisedOn: dayOrNull(after.raisedOn),
    // What is found again was there before: it is no growth of the week's load.
    raisedFrom:
      after.level > before.level ? (ruling.because === 'found' ? after.level : before.level) : strand.raisedFrom,
    easedOn: dayOrNull(after.easedOn),
    openedOn: ruling.because === 'opens' ? today : strand.openedOn,
    changedAt: now.toISOString(),
  };
}

/** A level that the teacher chose: a raise is a raise, and nothing above it is left to be found again. */
function chosen(strand: Strand, level: number, now: Date): Strand {
  if (level === strand.level) return strand;
  const after = ruled(strand, { kind: 'raise', because: 'raise', level }, now);
  return level > strand.level ? after : { ...after, raisedOn: strand.raisedOn, lost: [] };
}

function answered(strand: Strand, verdict: Verdict, answer: Answer, now: Date): Strand {
  const { because, level } = verdict;
  switch (answer.outcome) {
    case 'put off':
      return strand;
    case 'cleared':
      return { ...strand, clearedAt: now.toISOString() };
    case 'accepted':
      if (because === 'stop' || !verdict.moves) return strand;
      return ruled(strand, { kind: level < strand.level ? 'ease' : 'raise', because, level }, now);
    case 'changed':
      return chosen(strand, answer.level, now);
  }
}

/** The plan after the teacher's answer to a verdict, and the decision to be remembered. */
export function decide(
  plan: Plan,
  verdict: Verdict,
  answer: Answer,
  id: string,
  now: Date,
): { plan: Plan; decision: Decision } {
  const strands = plan.strands.map((strand): Strand => {
    if (strand.id !== verdict.strandId) return strand;
    const after = answered(strand, verdict, answer, now);
    const start = Math.min(after.start, after.level);
    const target = Math.max(after.target, after.level);
    return after.level >= target ? { ...withWholeSteps(after), start, target } : { ...after, start, target };
  });
  const after = strands.find((strand) => strand.id === verdict.strandId);
  return {
    plan: { ...plan, strands },
    decision: {
      id,
      studentId: plan.studentId,
      planId: plan.id,
      strandId: verdict.strandId,
      logId: verdict.logId,
      day: formatISO(now, { representation: 'date' }),
      verdict: verdict.kind,
      outcome: answer.outcome,
      from: verdict.fromDose,
      to: after === undefined ? verdict.fromDose : doseOf(after.level, gridOf(after)),
      reasons: [...verdict.reasons],
      teacherReason: answer.teacherReason,
    },
  };
}

/** How long an opening or a plateau that was put off is not asked again. House value. */
const ASK_AGAIN_DAYS = 7;

/** Whether a verdict can be accepted as it is: a sign to stop is cleared, and from a plateau the teacher chooses a way. */
export const takesUp = ({ source, plateau }: Pick<Verdict, 'source' | 'plateau'>): boolean =>
  source !== 'stop' && plateau === null;

const putOffLately = (
  { strandId }: Pick<Verdict, 'strandId'>,
  decisions: readonly Decision[],
  today: string,
): boolean =>
  decisions.some(
    (entry) =>
      entry.strandId === strandId && differenceInCalendarDays(parseISO(today), parseISO(entry.day)) < ASK_AGAIN_DAYS,
  );

/**
 * Whether a verdict still waits for the teacher: one that changes the level and answers a practice
 * not yet answered, or a gap that has grown since the last answer; an opening; a plateau; and every stop.
 */
export function isDue(
  verdict: Verdict,
  decisions: readonly Decision[],
  logs: readonly Pick<PracticeLog, 'id' | 'day'>[],
  rule: Pick<RaiseRule, 'easeGapDays' | 'retestGapDays'>,
  today: string,
): boolean {
  if (verdict.source === 'stop') return verdict.logId !== null;
  if (verdict.plateau !== null) return !putOffLately(verdict, decisions, today);
  if (!verdict.moves && !verdict.retest) return false;
  if (verdict.because === 'opens') return !putOffLately(verdict, decisions, today);
  if (verdict.logId === null) return false;
  const answers = decisions.filter((entry) => entry.strandId === verdict.strandId && entry.logId === verdict.logId);
  const log = logs.find((entry) => entry.id === verdict.logId);
  if (verdict.source === 'practice' || log === undefined) return answers.length === 0;
  const limit = verdict.retest ? rule.retestGapDays : rule.easeGapDays;
  return !answers.some((entry) => differenceInCalendarDays(parseISO(entry.day), parseISO(log.day)) >= limit);
}

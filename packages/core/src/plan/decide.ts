import { differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import type { Decision, Plan, Strand } from './plan';
import { doseOf } from './steps';
import type { Verdict } from './verdict';

export interface Answer {
  readonly outcome: Decision['outcome'];
  /** The level wanted; the verdict's own when it is accepted. */
  readonly level: number;
  readonly teacherReason: string;
}

function answered(strand: Strand, answer: Answer, now: Date): Strand {
  if (answer.outcome === 'put off') return strand;
  const changed = doseOf(answer.level, strand.step) !== doseOf(strand.level, strand.step);
  const today = formatISO(now, { representation: 'date' });
  return {
    ...strand,
    level: answer.level,
    start: Math.min(strand.start, answer.level),
    target: Math.max(strand.target, answer.level),
    raisedOn: answer.level > strand.level ? today : strand.raisedOn,
    changedAt: changed ? now.toISOString() : strand.changedAt,
    clearedAt: answer.outcome === 'cleared' ? now.toISOString() : strand.clearedAt,
  };
}

/** The plan after the teacher's answer to a verdict, and the decision to be remembered. */
export function decide(
  plan: Plan,
  verdict: Verdict,
  answer: Answer,
  id: string,
  now: Date,
): { plan: Plan; decision: Decision } {
  const strands = plan.strands.map((strand) =>
    strand.id === verdict.strandId ? answered(strand, answer, now) : strand,
  );
  const step = plan.strands.find((strand) => strand.id === verdict.strandId)?.step ?? 1;
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
      to: answer.outcome === 'put off' ? verdict.fromDose : doseOf(answer.level, step),
      reasons: [...verdict.reasons],
      teacherReason: answer.teacherReason,
    },
  };
}

/**
 * Whether a verdict still waits for the teacher: one that changes the level and answers a practice
 * not yet answered, or a gap that has grown since the last answer; and every stop.
 */
export function isDue(
  verdict: Verdict,
  decisions: readonly Decision[],
  logs: readonly Pick<PracticeLog, 'id' | 'day'>[],
  rule: Pick<RaiseRule, 'stayGapDays' | 'easeGapDays' | 'retestGapDays'>,
): boolean {
  if (verdict.logId === null) return false;
  if (verdict.source === 'stop') return true;
  if (!verdict.moves && !verdict.retest) return false;
  const answers = decisions.filter((entry) => entry.strandId === verdict.strandId && entry.logId === verdict.logId);
  if (verdict.source === 'practice') return answers.length === 0;
  const log = logs.find((entry) => entry.id === verdict.logId);
  if (log === undefined) return true;
  const limit = verdict.retest ? rule.retestGapDays : verdict.kind === 'ease' ? rule.easeGapDays : rule.stayGapDays;
  return !answers.some((entry) => differenceInCalendarDays(parseISO(entry.day), parseISO(log.day)) >= limit);
}

import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import { strandLines } from './metShare';
import type { Plan, Strand } from './plan';

const capital = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}`;

function signsOf(log: PracticeLog, stopPain: number): string[] {
  const signs = log.symptoms.map((symptom) => `${capital(symptom)} was noted on ${log.day}.`);
  if (log.pain < stopPain) return signs;
  const where = log.painWhere === '' ? '' : ` (${log.painWhere})`;
  return [`Pain ${log.pain} of 10${where} on ${log.day}; from ${stopPain} on the work stops.`, ...signs];
}

/**
 * The signs that lock a strand: joint pain at the school's limit, chest pain, faintness, numbness or
 * something new in any practice since the teacher last cleared it. Empty when there are none.
 * @param logs logs with something of the strand
 */
export function stopReasons(
  strand: Pick<Strand, 'clearedAt'>,
  logs: readonly PracticeLog[],
  rule: Pick<RaiseRule, 'stopPain'>,
): string[] {
  const { clearedAt } = strand;
  return logs
    .filter((log) => clearedAt === null || Date.parse(log.startedAt) > Date.parse(clearedAt))
    .flatMap((log) => signsOf(log, rule.stopPain));
}

/** The strands of a plan that are locked by a sign to stop. */
export const lockedStrands = (
  plan: Pick<Plan, 'strands'>,
  logs: readonly PracticeLog[],
  rule: Pick<RaiseRule, 'stopPain'>,
): Strand[] =>
  plan.strands.filter((strand) => {
    const own = logs.filter((log) => strandLines(log, strand).length > 0);
    return stopReasons(strand, own, rule).length > 0;
  });

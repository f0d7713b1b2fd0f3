import { upperFirst } from '../words/firstLetter';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import { shortDay } from '../words/shortDay';
import { loadsPlace } from './loadsPlace';
import type { Plan, Strand } from '../goals/plan';

type Exercises = ReadonlyMap<string, Pick<Exercise, 'posture' | 'family' | 'movements'>>;
type Locked = Pick<Strand, 'clearedAt' | 'segmentId' | 'exerciseId'>;

/** Of an exercise that is not known it is taken that it loads the place. */
function loadsWhatHurts({ exerciseId }: Locked, log: PracticeLog, exercises: Exercises): boolean {
  const exercise = exercises.get(exerciseId);
  return exercise === undefined || loadsPlace(exercise, log.painPlace);
}

function signsOf(log: PracticeLog, strand: Locked, stopPain: number, exercises: Exercises): string[] {
  const signs = log.symptoms.map((symptom) => `${upperFirst(symptom)} was noted on ${shortDay(log.day)}.`);
  if (log.pain < stopPain || !loadsWhatHurts(strand, log, exercises)) return signs;
  const place = log.painWhere === '' ? (log.painPlace ?? '') : log.painWhere;
  const where = place === '' ? '' : ` (${place})`;
  return [`Pain ${log.pain} of 10${where} on ${shortDay(log.day)}; from ${stopPain} on the work stops.`, ...signs];
}

/** What was written down later counts from then on. */
const knownAt = ({ startedAt, enteredAt }: PracticeLog): number =>
  Math.max(Date.parse(startedAt), enteredAt === null ? 0 : Date.parse(enteredAt));

/**
 * The signs that lock a strand since the teacher last cleared it: chest pain, faintness, numbness or
 * something new in any practice of the student, whether the strand was in it or not; joint pain at the
 * school's limit at a place that it loads, whichever drill it was noted after; without a place, where it loads a joint at
 * all. Empty when there are none.
 * @param logs all logs of the student
 * @param exercises by id, to tell which strands are done sitting
 */
export function stopReasons(
  strand: Locked,
  logs: readonly PracticeLog[],
  rule: Pick<RaiseRule, 'stopPain'>,
  exercises: Exercises = new Map(),
): string[] {
  const { clearedAt } = strand;
  return logs
    .filter((log) => clearedAt === null || knownAt(log) > Date.parse(clearedAt))
    .flatMap((log) => signsOf(log, strand, rule.stopPain, exercises));
}

/** The strands of a plan that are locked by a sign to stop. */
export const lockedStrands = (
  plan: Pick<Plan, 'strands'>,
  logs: readonly PracticeLog[],
  rule: Pick<RaiseRule, 'stopPain'>,
  exercises: Exercises = new Map(),
): Strand[] => plan.strands.filter((strand) => stopReasons(strand, logs, rule, exercises).length > 0);

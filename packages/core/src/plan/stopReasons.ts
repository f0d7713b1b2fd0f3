import { upperFirst } from '../words/firstLetter';
import type { Exercise } from '../library/exercise';
import type { PainSaid } from '../practice/endNotes';
import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import { shortDay } from '../words/shortDay';
import { loadsPlace } from './loadsPlace';
import type { Plan, Strand } from '../goals/plan';

type Exercises = ReadonlyMap<string, Pick<Exercise, 'posture' | 'family' | 'movements'>>;
type Locked = Pick<Strand, 'clearedAt' | 'segmentId' | 'exerciseId'>;

/** Of an exercise that is not known it is taken that it loads the place. */
export function loadsWhatHurts(
  { exerciseId }: Pick<Locked, 'exerciseId'>,
  log: Pick<PracticeLog, 'painPlace'>,
  exercises: Exercises,
): boolean {
  const exercise = exercises.get(exerciseId);
  return exercise === undefined || loadsPlace(exercise, log.painPlace);
}

/** Where it hurts and how much: `Pain 2 of 10 (knee)`. */
export function painSaid({ pain, painWhere, painPlace }: PainSaid): string {
  const place = painWhere === '' ? (painPlace ?? '') : painWhere;
  return `Pain ${pain} of 10${place === '' ? '' : ` (${place})`}`;
}

function signsOf(log: PracticeLog, strand: Locked, stopPain: number, exercises: Exercises): string[] {
  const signs = log.symptoms.map((symptom) => `${upperFirst(symptom)} was noted on ${shortDay(log.day)}.`);
  if ((log.pain ?? 0) < stopPain || !loadsWhatHurts(strand, log, exercises)) return signs;
  return [`${painSaid(log)} on ${shortDay(log.day)}; from ${stopPain} on the work stops.`, ...signs];
}

/** What was written down later counts from then on. */
const knownAt = ({ startedAt, enteredAt }: PracticeLog): number =>
  Math.max(Date.parse(startedAt), enteredAt === null ? 0 : Date.parse(enteredAt));

/** Whether a practice was known only after the teacher last cleared what it said. */
export const isSinceCleared = (log: PracticeLog, clearedAt: string | null): boolean =>
  clearedAt === null || knownAt(log) > Date.parse(clearedAt);

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
    .filter((log) => isSinceCleared(log, clearedAt))
    .flatMap((log) => signsOf(log, strand, rule.stopPain, exercises));
}

/** The strands of a plan that are locked by a sign to stop. */
export const lockedStrands = (
  plan: Pick<Plan, 'strands'>,
  logs: readonly PracticeLog[],
  rule: Pick<RaiseRule, 'stopPain'>,
  exercises: Exercises = new Map(),
): Strand[] => plan.strands.filter((strand) => stopReasons(strand, logs, rule, exercises).length > 0);

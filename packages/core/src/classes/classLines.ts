import type { Exercise } from '../library/exercise';
import { conduct, type ConductState } from '../practice/conduct';
import type { ClassPerson } from '../practice/classJournal';
import type { Journal } from '../practice/journal';
import type { LogLine } from '../practice/log';
import { logLines } from '../practice/logLines';
import { timeline, type Timeline } from '../routine/timeline';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { groupBy } from '../words/groupBy';

type Shelf = ReadonlyMap<string, Pick<Exercise, 'name'>>;
type Amount = LogLine['done'];

const keyOf = ({ segmentId, side, direction }: LogLine): string => `${segmentId} ${side} ${direction}`;
const less = (a: Amount, b: Amount | undefined): Amount => ({
  amount: Math.max(0, a.amount - (b?.amount ?? 0)),
  seconds: Math.max(0, a.seconds - (b?.seconds ?? 0)),
});

/** The practice as if it had been ended at a moment: what was on then counts as far as it had come. */
export function stoppedAt({ events }: Pick<Journal, 'events'>, line: Timeline, at: number): ConductState {
  const before = events.filter((event) => event.at <= at);
  return conduct(line, before.length === 0 ? [] : [...before, { at, action: 'end' }], at);
}

/** What the class had done of each line by a moment. */
function doneBy(journal: Journal, at: number, shelf: Shelf): ReadonlyMap<string, LogLine> {
  const line = timeline(journal.routine);
  const lines = logLines(journal.routine, line, stoppedAt(journal, line, at), shelf);
  return new Map(lines.map((entry) => [keyOf(entry), entry]));
}

/** What a segment asks of one person alone, a line for each side and direction. */
function askedOf(routine: Routine, own: ExerciseSegment, shelf: Shelf): LogLine[] {
  const alone = { ...routine, segments: [{ ...own, roundId: null }], rounds: [] };
  const line = timeline(alone);
  return logLines(alone, line, conduct(line, [], 0), shelf);
}

/** The smaller of what a person is asked for and of what the class did, by time where it is held and by count else. */
function within(own: LogLine, asked: Amount, done: Amount): Pick<LogLine, 'asked' | 'done'> {
  const key = own.kind === 'hold' ? 'seconds' : 'amount';
  const wanted = own.asked[key] <= asked[key] ? own.asked : asked;
  const share = wanted[key] === 0 ? 0 : Math.min(1, done[key] / wanted[key]);
  return { asked: wanted, done: { amount: wanted.amount * share, seconds: wanted.seconds * share } };
}

/** A line of another drill, done as far as the class has come in the time of its own. */
function inTime(own: LogLine, ofClass: readonly LogLine[]): LogLine {
  const seconds = (key: 'asked' | 'done'): number => ofClass.reduce((sum, line) => sum + line[key].seconds, 0);
  const share = Math.min(1, seconds('done') / seconds('asked'));
  return { ...own, done: { amount: own.asked.amount * share, seconds: own.asked.seconds * share } };
}

/**
 * What one person of a class was asked for and did: no more than the own rung, no more than the class did, and only while he
 * or she was there. What had gone before, or was left out, has no line.
 * @param now when the class ended, epoch milliseconds
 */
export function classLines(
  journal: Journal,
  person: Pick<ClassPerson, 'from' | 'to' | 'rungs'>,
  shelf: Shelf,
  now: number,
): LogLine[] {
  if (person.from === null) return [];
  const before = doneBy(journal, person.from, shelf);
  const after = doneBy(journal, Math.min(now, person.to ?? now), shelf);
  const lines = [...after.values()].flatMap((line) => {
    const gone = before.get(keyOf(line))?.done;
    const [asked, done] = [less(line.asked, gone), less(line.done, gone)];
    return asked.seconds <= 0 || asked.amount <= 0 ? [] : [{ ...line, asked, done }];
  });
  return [...groupBy(lines, ({ segmentId }) => segmentId)].flatMap(([segmentId, ofClass]): LogLine[] => {
    const rung = person.rungs.find((entry) => entry.segmentId === segmentId);
    if (rung === undefined) return ofClass;
    if (rung.own === null) return [];
    const own = askedOf(journal.routine, rung.own, shelf);
    // Another drill has sides and counts of its own: it is done as far as the class has come in time.
    if (rung.own.exerciseId !== ofClass[0]!.exerciseId) return own.map((line) => inTime(line, ofClass));
    return ofClass.flatMap(({ side, direction, asked, done }): LogLine[] => {
      const mine = own.find((line) => line.side === side && line.direction === direction);
      if (mine === undefined) return [];
      return [{ ...mine, segmentId: rung.countsFor ?? segmentId, ...within(mine, asked, done) }];
    });
  });
}

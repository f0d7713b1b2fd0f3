import type { Exercise } from '../library/exercise';
import { conduct, type ConductState } from '../practice/conduct';
import type { ClassPerson } from '../practice/classJournal';
import type { Journal } from '../practice/journal';
import type { LogLine } from '../practice/log';
import { logLines } from '../practice/logLines';
import { timeline, type Timeline } from '../routine/timeline';
import type { ExerciseSegment, Routine } from '../routine/routine';

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
  const all = [...doneBy(journal, Math.min(now, person.to ?? now), shelf).values()];
  return all.flatMap((entry): LogLine[] => {
    const rung = person.rungs.find(({ segmentId }) => segmentId === entry.segmentId);
    const own = rung === undefined ? undefined : rung.own;
    if (own === null) return [];
    const asked = less(entry.asked, before.get(keyOf(entry))?.done);
    const done = less(entry.done, before.get(keyOf(entry))?.done);
    if (asked.seconds <= 0 || asked.amount <= 0) return [];
    const mine =
      own === undefined
        ? entry
        : askedOf(journal.routine, own, shelf).find(
            ({ side, direction }) => side === entry.side && direction === entry.direction,
          );
    // Another drill may have no such side: it is done once, with the first of the class's.
    if (mine === undefined) return [];
    return [{ ...mine, segmentId: rung?.countsFor ?? mine.segmentId, ...within(mine, asked, done) }];
  });
}

import type { Exercise } from '../library/exercise';
import type { Routine } from '../routine/routine';
import type { Timeline } from '../routine/timeline';
import type { School } from '../schools/school';
import { calls, type Call, type CallWords } from './calls';
import { firstCue, nameOf } from './moment';

/**
 * What is called aloud while a routine is conducted, and when; with `cues` also the first cue of each round.
 * @param inWork ids of checkpoints that the student is being corrected for
 */
export const hallCalls = (
  routine: Routine,
  line: Timeline,
  words: CallWords,
  cues: boolean,
  shelf: ReadonlyMap<string, Exercise>,
  school: School,
  inWork: ReadonlySet<string>,
): Call[] =>
  calls(
    routine,
    line,
    words,
    (segment) => nameOf(segment, shelf),
    (span) => {
      const segment = routine.segments[span.segmentIndex]!;
      const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
      return cues ? (firstCue(span, exercise, school, inWork)?.cue ?? '') : '';
    },
  );

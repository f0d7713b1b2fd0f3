import type { Exercise } from '../library/exercise';
import type { Routine } from '../routine/routine';
import type { Timeline } from '../routine/timeline';
import { segmentDrill } from '../routine/turned';
import type { School } from '../schools/school';
import { spokenExercise } from '../schools/spokenLine';
import { calls, type Call, type CallWords } from './calls';
import type { CuePlan } from './cuePlan';
import { nameOf } from './moment';
import { sideOfWords } from './sideOfWords';

/**
 * What is called aloud while a routine is conducted, and when; with `cued` also the cue of each checkpoint that comes up.
 * @param cues which checkpoint is up when
 */
export const hallCalls = (
  routine: Routine,
  line: Timeline,
  words: CallWords,
  cued: boolean,
  shelf: ReadonlyMap<string, Exercise>,
  school: School,
  cues: CuePlan,
): Call[] =>
  calls(
    routine,
    line,
    words,
    (segment) => nameOf(segment, shelf),
    (span) => {
      const segment = routine.segments[span.segmentIndex]!;
      const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
      if (!cued || segment.type !== 'exercise' || exercise === undefined || span.amount === 0) return [];
      const drill = segmentDrill(segment, exercise);
      const before = cues.get(span.index - 1)?.at(-1)?.checkpointId;
      return (cues.get(span.index) ?? []).flatMap(({ fromMs, checkpointId }) => {
        // What stays up from the turn before has been said.
        if (span.turn > 1 && fromMs === 0 && checkpointId === before) return [];
        const said = spokenExercise(drill, school, sideOfWords(span, drill, fromMs));
        const point = said.checkpoints.find(({ id }) => id === checkpointId);
        return point === undefined ? [] : [{ offsetMs: fromMs, text: point.cue }];
      });
    },
  );

import type { Body } from '../body/body';
import { postureLoads, type Loads } from '../endurance/limits';
import type { HoldEvidence } from '../endurance/learnedStrength';
import type { Exercise } from '../library/exercise';
import { isHeld } from '../library/heldSeconds';
import type { PracticeLog } from '../practice/log';
import { turnedPosture, unturned } from '../routine/turned';
import { settlePosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { dayNumber } from '../days/dayNumber';

/** What a student practised, as far as it tells of legs and arms. */
export interface Practised {
  readonly logs: readonly PracticeLog[];
  readonly exercises: readonly Exercise[];
  readonly school: School;
}

/** Old practice counts half after so many days (house value), and after so many no longer. */
const HALF_LIFE = 56;
const FORGOTTEN = 5 * HALF_LIFE;
/** Shorter holds say nothing, s. */
const SHORTEST = 5;

/** What the holds of a student's practices say of legs and arms, and how many practices that are (sources: Capacity). */
export function practisedHolds(
  body: Body,
  { logs, exercises, school }: Practised,
  today: string,
): { readonly evidence: readonly HoldEvidence[]; readonly practices: number } {
  const shelf = new Map(exercises.map((exercise) => [exercise.id, exercise]));
  const known = new Map<string, Loads>();
  let practices = 0;
  const evidence = logs.flatMap((log): HoldEvidence[] => {
    const ago = dayNumber(today) - dayNumber(log.day);
    if (ago < 0 || ago > FORGOTTEN) return [];
    const weight = 2 ** (-ago / HALF_LIFE);
    const holds = log.lines.flatMap((line): HoldEvidence[] => {
      const exercise = shelf.get(line.exerciseId);
      if (exercise === undefined || !isHeld(exercise, line) || exercise.posture.seated) return [];
      const key = `${exercise.id} ${JSON.stringify(line.turned)}`;
      const loads =
        known.get(key) ??
        postureLoads(body, settlePosture(turnedPosture(exercise.posture, line.turned ?? unturned), school));
      known.set(key, loads);
      // So many holds one after the other; breaths are one hold.
      const pieces = (amount: number): number => (line.kind === 'hold' ? Math.max(1, amount) : 1);
      const asked = line.asked.seconds / pieces(Math.round(line.asked.amount));
      const held = line.done.seconds / pieces(Math.ceil(line.done.amount - 1e-6));
      const seconds = line.alignmentKept === null ? held : Math.min(held, line.alignmentKept * asked);
      return seconds < SHORTEST ? [] : [{ loads, seconds, gaveOut: line.gaveOut, weight }];
    });
    if (holds.length > 0) practices += 1;
    return holds;
  });
  return { evidence, practices };
}

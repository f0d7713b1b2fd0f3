import type { HoldDose } from './dose';
import type { Exercise } from './exercise';

/** A part of a hold: where the attention is, and its share of the time. */
export interface HoldPart {
  readonly words: string;
  /** Of the whole hold, 0–1. */
  readonly share: number;
}

/** The parts of a hold in their order, as its dose has them, else as the exercise, for equal times. */
export function holdParts({ parts }: Pick<HoldDose, 'parts'>, { attention }: Pick<Exercise, 'attention'>): HoldPart[] {
  const given = parts.length > 0 ? parts : attention.map((words) => ({ words, share: 1 }));
  const whole = given.reduce((sum, part) => sum + part.share, 0);
  return given.map(({ words, share }) => ({ words, share: share / whole }));
}

/** The part that is on at a share of the hold, 0–1; undefined where it has none. */
export function holdPartAt(parts: readonly HoldPart[], share: number): HoldPart | undefined {
  let reached = 0;
  return parts.find((part) => (reached += part.share) > share + 1e-9) ?? parts.at(-1);
}

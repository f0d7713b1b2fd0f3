import type { Exercise, Keyframe, Phase } from '@pomek/core';

/** Which position of a repetition is meant: the end of a part, or one on the way to it. */
export interface StandPlace {
  readonly part: number;
  /** Index on the way; null is the end. */
  readonly via: number | null;
}

export const sameStand = (one: StandPlace | null, other: StandPlace | null): boolean =>
  one?.part === other?.part && one?.via === other?.via;

/** The position at a place; null where none is set, or the place is gone. */
export function frameAt({ phases }: Pick<Exercise, 'phases'>, { part, via }: StandPlace): Keyframe | null {
  const phase = phases[part];
  if (phase === undefined) return null;
  return via === null ? phase.end : (phase.via[via] ?? null);
}

/** Where a position stands below the parts of an exercise. */
export const stepsTo = ({ part, via }: StandPlace): (string | number)[] =>
  via === null ? [part, 'end'] : [part, 'via', via];

/** All positions of a repetition in their order. */
export const standsOf = (phases: readonly Phase[]): StandPlace[] =>
  phases.flatMap((phase, part) => [
    ...phase.via.map((_, via): StandPlace => ({ part, via })),
    ...(phase.end === null ? [] : [{ part, via: null }]),
  ]);

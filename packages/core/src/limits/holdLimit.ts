import type { Body } from '../body/body';
import { limitTime, postureLoads, type Limit, type LimitedBy } from '../endurance/limits';
import type { KnownCapacity } from '../endurance/postureAnswers';
import type { LoadedJoint } from '../endurance/strength';
import { conventionsOf, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';

/** A body, and how strong it is as far as that is known. */
export interface StrongBody {
  readonly body: Body;
  readonly capacity: KnownCapacity;
}

/** How long one of legs, arms and back holds a posture. */
export interface HoldLimit {
  readonly by: Limit;
  readonly joint: LoadedJoint;
  /** Neither tested nor learned from practice. */
  readonly guessed: boolean;
  /** The longest hold that is asked of it, s. */
  readonly seconds: number;
  /** From here on a hold is worth a word, s. */
  readonly doubtFrom: number;
  /** How long it would most likely last, and at the far end of what the strength may be (eight times in ten), s. */
  readonly likely: number;
  readonly far: number;
}

/** From this share of what a guessed strength would most likely hold on, a hold is doubted. House value. */
const GUESS_DOUBT = 0.85;
/** Back and calf are reckoned from the legs as a whole. */
const limbOf = (by: Limit): LimitedBy => (by === 'arms' ? 'arms' : 'legs');

/**
 * How long legs, arms and back hold a posture, those that limit it within forty minutes, the shortest first (sources: Capacity). Where the
 * strength was tested or learned from practice, the limit is the school's budget of the likely time, and beyond it there is a doubt;
 * where it is only a guess, the limit is the time at the far end of what it may be, and a doubt begins near the likely one.
 */
export function holdLimits({ body, capacity }: StrongBody, posture: SettledPosture, school: School): HoldLimit[] {
  if (posture.seated) return [];
  const loads = postureLoads(body, posture);
  const budget = conventionsOf(school).holdBudget;
  return (['legs', 'arms', 'back'] as const)
    .flatMap((by): HoldLimit[] => {
      const { seconds: likely, joint, unlimited } = limitTime(loads, capacity, by);
      if (unlimited) return [];
      const guessed = capacity.guessed[limbOf(by)];
      const factor = capacity.spread[limbOf(by)];
      const strong = { kneeNm: capacity.kneeNm * factor, shoulderNm: capacity.shoulderNm * factor };
      const far = Math.max(likely, limitTime(loads, strong, by).seconds);
      const seconds = guessed ? far : likely * budget;
      return [{ by, joint, guessed, seconds, doubtFrom: guessed ? likely * GUESS_DOUBT : seconds, likely, far }];
    })
    .toSorted((a, b) => a.seconds - b.seconds);
}

/** What a hold goes beyond: a danger where the whole range of what the strength may be is used up, a doubt where the likely value is; null where nothing. */
export function holdGrade(
  limits: readonly HoldLimit[],
  seconds: number,
): { readonly grade: 'danger' | 'doubt'; readonly limit: HoldLimit } | null {
  // What gives out first by what is likely is told.
  const ordered = limits.toSorted((a, b) => a.likely - b.likely);
  const beyond = ordered.find(({ far }) => seconds > far + 1e-9);
  if (beyond !== undefined) return { grade: 'danger', limit: beyond };
  const doubted = ordered.find(({ doubtFrom }) => seconds > doubtFrom + 1e-9);
  return doubted === undefined ? null : { grade: 'doubt', limit: doubted };
}

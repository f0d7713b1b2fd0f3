import type { Condition } from './conditions';
import type { Noted } from './noted';

/** What somebody does not do for now; what is left out is free. */
export interface BodyLimits {
  /** Most bend of the knees, degrees. */
  readonly bendDeg?: number;
  /** Arms no higher than this raise, degrees; 45 is the chest. */
  readonly armsDeg?: number;
  /** Trunk no further forward than this, degrees. */
  readonly foldDeg?: number;
  /** Feet no further apart, shoulder breadths. */
  readonly width?: number;
  /** No stand longer without loosening, s. */
  readonly standSeconds?: number;
  /** No hold as hard as this, 0–10. */
  readonly effort?: number;
  /** No foot off the floor. */
  readonly noLift?: boolean;
  /** Nothing that goes down and comes up on loaded knees. */
  readonly noSquat?: boolean;
  /** No breath held. */
  readonly noHeldBreath?: boolean;
  /** The breath is not slowed below this share of its rate at rest. */
  readonly breathShare?: number;
}
export type LimitName = keyof BodyLimits;

/** From here on the head is below the heart, degrees of the trunk. House value. */
export const HEAD_LOW = 60;
/** With a breathing condition the breath is not slowed below this share of its rate at rest (house value). */
const LEFT_ALONE_SHARE = 2 / 3;

/**
 * What each condition rules out of postures, drills and breath (sources: What is noted of a body). Common
 * practice in class, never a diagnosis. What is only said stands in `conditionRules`.
 */
export const conditionLimits: Readonly<Record<Condition, BodyLimits>> = {
  pregnancy: { bendDeg: 40, width: 1.5, noSquat: true, standSeconds: 180, noHeldBreath: true },
  'high blood pressure': { foldDeg: HEAD_LOW, effort: 7, noHeldBreath: true },
  'heart condition': { foldDeg: HEAD_LOW, effort: 7, noHeldBreath: true },
  'raised eye pressure': { foldDeg: HEAD_LOW, noHeldBreath: true },
  'breathing condition': { noHeldBreath: true, breathShare: LEFT_ALONE_SHARE },
  'knee pain': { bendDeg: 20, noSquat: true },
  'low back pain': { foldDeg: 30, standSeconds: 120 },
  'shoulder pain': { armsDeg: 45 },
  'poor balance': { noLift: true },
  'dizziness or vertigo': { foldDeg: HEAD_LOW, noLift: true },
  osteoporosis: { foldDeg: 20, noSquat: true },
  'hip or knee joint replaced': { bendDeg: 30, noSquat: true },
};

/** A limit that holds for somebody, and what it comes from. */
export interface NotedLimit {
  readonly name: LimitName;
  readonly value: number | true;
  /** As it is said: `knee pain`, `knee pain on the left`, or the teacher's own words. */
  readonly because: string;
  /** The caution that goes with it, in words. */
  readonly rule: string;
  /** The side that has it; null where the whole body has. */
  readonly side: 'left' | 'right' | null;
}

/** Most limits are ceilings; of the breath the quicker of two is the stricter. */
const isStricter = (name: LimitName, value: number, than: number): boolean =>
  name === 'breathShare' ? value > than : value < than;

/** The limits of what was noted; of several on the same side the strictest. */
export function limitsOf(noted: readonly Noted[]): NotedLimit[] {
  const strictest = new Map<string, NotedLimit>();
  for (const { because, rule, side, limits } of noted) {
    for (const [name, value] of Object.entries(limits) as [LimitName, number | boolean | undefined][]) {
      if (value === undefined || value === false) continue;
      const key = `${name} ${side ?? 'both'}`;
      const before = strictest.get(key);
      if (before === undefined || (typeof value === 'number' && isStricter(name, value, before.value as number)))
        strictest.set(key, { name, value, because, rule, side });
    }
  }
  return [...strictest.values()];
}

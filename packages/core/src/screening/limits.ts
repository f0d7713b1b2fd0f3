import type { Condition } from './conditions';

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
}
export type LimitName = keyof BodyLimits;

/**
 * What each condition rules out of postures and drills (house table, model §11; common practice in class, never a diagnosis).
 * What it does to the breath stands with the breath; what is only said, in `conditionRules`.
 */
export const conditionLimits: Readonly<Record<Condition, BodyLimits>> = {
  pregnancy: { bendDeg: 40, width: 1.5, noSquat: true, standSeconds: 180 },
  'high blood pressure': { foldDeg: 60, effort: 7 },
  'heart condition': { foldDeg: 60, effort: 7 },
  'raised eye pressure': { foldDeg: 60 },
  'breathing condition': {},
  'knee pain': { bendDeg: 20, noSquat: true },
  'low back pain': { foldDeg: 30, standSeconds: 120 },
  'shoulder pain': { armsDeg: 45 },
  'poor balance': { noLift: true },
  'dizziness or vertigo': { foldDeg: 60, noLift: true },
  osteoporosis: { foldDeg: 20, noSquat: true },
  'hip or knee joint replaced': { bendDeg: 30, noSquat: true },
};

/** A limit that holds for somebody, and the condition it comes from. */
export interface NotedLimit {
  readonly name: LimitName;
  readonly value: number | true;
  readonly because: Condition;
}

/** The limits of what was noted; of several the strictest. */
export function limitsOf(noted: readonly Condition[]): NotedLimit[] {
  const strictest = new Map<LimitName, NotedLimit>();
  for (const because of noted) {
    for (const [name, value] of Object.entries(conditionLimits[because]) as [LimitName, number | true][]) {
      const before = strictest.get(name);
      if (before === undefined || (typeof value === 'number' && value < (before.value as number)))
        strictest.set(name, { name, value, because });
    }
  }
  return [...strictest.values()];
}

import type { Condition } from './conditions';
import type { Noted } from './noted';

/** What somebody does not do for now; what is left out is free. */
export interface BodyLimits {
  /** Most bend of the knees, degrees. */
  readonly bendDeg?: number;
  /** Arms no higher than this raise, degrees; 45 is the chest. */
  readonly armsDeg?: number;
  /** Arms above the head no longer than this at a time, s. */
  readonly overheadSeconds?: number;
  /** Trunk no further forward than this at its deepest moment, degrees; a back that rolls down counts as {@link ROLLED_DEG}. */
  readonly foldDeg?: number;
  /** Feet no further apart, shoulder breadths. */
  readonly width?: number;
  /** Shoulders turned against the pelvis no further than this, degrees. */
  readonly twistDeg?: number;
  /** Turned no further than this on a leg that carries most of the weight, degrees. */
  readonly turnOnLegDeg?: number;
  /** Turned no quicker than this, degrees a second. */
  readonly turnSpeed?: number;
  /** No stand longer without loosening, s. */
  readonly standSeconds?: number;
  /** No hold as hard as this, 0–10. */
  readonly effort?: number;
  /** No foot off the floor without a hand on something. */
  readonly noLift?: boolean;
  /** No rise on the toes without a hand on something. */
  readonly noToes?: boolean;
  /** No swing of a leg without a hand on something; with a joint that was replaced none of that leg at all. */
  readonly noSwing?: 'free' | 'at all';
  /** Nothing that goes down and comes up on loaded knees. */
  readonly noSquat?: boolean;
  /** No leg crossed, no ankle laid on the other knee. */
  readonly noCrossing?: boolean;
  /** No foot set across the other one. */
  readonly noStepAcross?: boolean;
  /** No deep lean while seated. */
  readonly noSeatedLean?: boolean;
  /** No circles of the head; not thrown back. */
  readonly noHeadCircles?: boolean;
  readonly noHeadBack?: boolean;
  readonly noBounce?: boolean;
  /** Belly neither pressed nor drawn in. */
  readonly noBelly?: boolean;
  /** No breath held. */
  readonly noHeldBreath?: boolean;
  /** The breath is not slowed below this share of its rate at rest. */
  readonly breathShare?: number;
}
export type LimitName = keyof BodyLimits;

/** From here on the head is below the heart, degrees of the trunk. House value. */
export const HEAD_LOW = 60;
/** A back that is rolled down hangs so far forward, degrees, whatever its hips do. House value. */
export const ROLLED_DEG = 90;
/** With a breathing condition the breath is not slowed below this share of its rate at rest (house value). */
const LEFT_ALONE_SHARE = 2 / 3;
/** From here on a turn is quick, degrees a second: slow reeling turns at some 35, swings at 55 and more. House value. */
const QUICK = 45;
/** A wide twist, and a turn on a loaded leg that the hip joint has to take, degrees. House values. */
const WIDE_TWIST = 30;
const SMALL_TURN = 20;
/** Arms above the head for so long are long there, s. House value. */
const LONG_OVERHEAD = 30;

const heart = { foldDeg: HEAD_LOW, effort: 7, noHeldBreath: true, overheadSeconds: LONG_OVERHEAD } as const;

/**
 * What each condition rules out of postures, exercises and breath (sources: What is noted of a body). Common
 * practice in class, never a diagnosis. What is only said stands in `conditionRules`.
 */
export const conditionLimits: Readonly<Record<Condition, BodyLimits>> = {
  pregnancy: {
    bendDeg: 35,
    width: 1.4,
    foldDeg: 40,
    turnSpeed: QUICK,
    standSeconds: 180,
    noLift: true,
    noSwing: 'free',
    noSquat: true,
    noBelly: true,
    noHeldBreath: true,
  },
  'high blood pressure': heart,
  'heart condition': heart,
  'raised eye pressure': { foldDeg: HEAD_LOW, noHeldBreath: true },
  'breathing condition': { noHeldBreath: true, breathShare: LEFT_ALONE_SHARE },
  'knee pain': { bendDeg: 20, noSquat: true },
  'low back pain': { foldDeg: 30, twistDeg: WIDE_TWIST, standSeconds: 120 },
  'shoulder pain': { armsDeg: 45 },
  'poor balance': { noLift: true, noToes: true, noSwing: 'free', noStepAcross: true },
  'dizziness or vertigo': {
    foldDeg: HEAD_LOW,
    turnSpeed: QUICK,
    noLift: true,
    noToes: true,
    noSwing: 'free',
    noHeadCircles: true,
    noHeadBack: true,
  },
  osteoporosis: { foldDeg: 20, twistDeg: WIDE_TWIST, turnSpeed: QUICK, noToes: true, noBounce: true },
  'hip or knee joint replaced': {
    bendDeg: 30,
    turnOnLegDeg: SMALL_TURN,
    noSwing: 'at all',
    noSquat: true,
    noCrossing: true,
    noStepAcross: true,
    noSeatedLean: true,
    noBounce: true,
  },
};

/** A limit that holds for somebody, and what it comes from. */
export interface NotedLimit {
  readonly name: LimitName;
  readonly value: number | true | 'free' | 'at all';
  /** As it is said: `knee pain`, `knee pain on the left`, or the teacher's own words. */
  readonly because: string;
  /** The caution that goes with it, in words. */
  readonly rule: string;
  /** The side that has it; null where the whole body has. */
  readonly side: 'left' | 'right' | null;
}

/** Most limits are ceilings; of the breath the quicker of two is the stricter. */
function isStricter(name: LimitName, value: NotedLimit['value'], than: NotedLimit['value']): boolean {
  if (typeof value !== 'number' || typeof than !== 'number') return value === 'at all' && than !== 'at all';
  return name === 'breathShare' ? value > than : value < than;
}

/** The limits of what was noted; of several on the same side the strictest. */
export function limitsOf(noted: readonly Noted[]): NotedLimit[] {
  const strictest = new Map<string, NotedLimit>();
  for (const { because, rule, side, limits } of noted) {
    for (const [name, value] of Object.entries(limits) as [LimitName, NotedLimit['value'] | false | undefined][]) {
      if (value === undefined || value === false) continue;
      const key = `${name} ${side ?? 'both'}`;
      const before = strictest.get(key);
      if (before === undefined || isStricter(name, value, before.value))
        strictest.set(key, { name, value, because, rule, side });
    }
  }
  return [...strictest.values()];
}

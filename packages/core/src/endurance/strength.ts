import { checkRange } from '../words/checkRange';

/** Joints that a posture may use up. */
export const loadedJoints = ['knee', 'ankle', 'hip', 'trunk', 'shoulder'] as const;
export type LoadedJoint = (typeof loadedJoints)[number];
export type LegJoint = 'knee' | 'ankle' | 'hip';

/**
 * Largest moments of an active adult of thirty, N·m per kg of body mass: where no test was taken. From memory, of the
 * order that strength tables give; a place to start from.
 */
export const peakPerKilogram: Readonly<Record<LoadedJoint, number>> = {
  knee: 2.6,
  ankle: 2.4,
  hip: 2,
  trunk: 3,
  shoulder: 0.6,
};

/** The knee gives its most near 70°, less when straighter or deeper (isometric torque–angle curves; from memory). */
const kneeCurve: readonly (readonly [bendDeg: number, share: number])[] = [
  [0, 0.2],
  [10, 0.35],
  [20, 0.5],
  [30, 0.62],
  [45, 0.82],
  [60, 0.98],
  [70, 1],
  [90, 0.9],
  [110, 0.7],
  [150, 0.4],
];

/**
 * Share of its largest moment that a knee can give at a bend; straight lines between the values of the curve. Before 10°
 * and beyond 110° they are drawn on, a house choice.
 * @param bendDeg 0–150
 */
export function kneeShareAt(bendDeg: number): number {
  checkRange('bendDeg', bendDeg, 0, 150);
  const next = Math.max(
    1,
    kneeCurve.findIndex(([bend]) => bend >= bendDeg),
  );
  const [[fromBend, from], [toBend, to]] = [kneeCurve[next - 1]!, kneeCurve[next]!];
  return from + ((to - from) * (bendDeg - fromBend)) / (toBend - fromBend);
}

/** What a person's legs and arms can give, N·m. */
export interface Strength {
  /** The largest moment of one knee, at its best bend; calf, hip and back go with it. */
  readonly kneeNm: number;
  /** Of one shoulder. */
  readonly shoulderNm: number;
}

/**
 * The moment a joint can give, N·m. What was tested of the legs is known of the knee; calf, side of the hip and back are
 * taken in the same proportion to it as in the table (house choice).
 * @param bendDeg of the knee; the others do not ask for it
 */
export function jointCapacity(joint: LoadedJoint, { kneeNm, shoulderNm }: Strength, bendDeg: number): number {
  if (joint === 'shoulder') return shoulderNm;
  if (joint === 'knee') return kneeNm * kneeShareAt(bendDeg);
  return (kneeNm * peakPerKilogram[joint]) / peakPerKilogram.knee;
}

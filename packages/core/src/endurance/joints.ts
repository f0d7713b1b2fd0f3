/** Fatigue and endurance parameters of one joint. */
export interface JointParameters {
  /** Endurance time b0·f^b1 in s (Frey Law & Avin 2010; from memory). */
  readonly b0: number;
  readonly b1: number;
  /** Fatigue and recovery rates per s (Frey-Law, Looft & Heitsman 2012; from memory). */
  readonly fatigue: number;
  readonly recovery: number;
}

export const joints = {
  ankle: { b0: 34.71, b1: -2.06, fatigue: 0.00589, recovery: 0.00058 },
  knee: { b0: 19.38, b1: -1.88, fatigue: 0.015, recovery: 0.00149 },
  trunk: { b0: 22.69, b1: -2.27, fatigue: 0.00755, recovery: 0.00075 },
  shoulder: { b0: 14.86, b1: -1.83, fatigue: 0.0182, recovery: 0.00168 },
  elbow: { b0: 17.98, b1: -2.21, fatigue: 0.00912, recovery: 0.00094 },
  grip: { b0: 33.55, b1: -1.61, fatigue: 0.0098, recovery: 0.00064 },
} as const satisfies Record<string, JointParameters>;

export type Joint = keyof typeof joints;

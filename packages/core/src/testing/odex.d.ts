/** The part of the ODE library that the tests use; its own sources do not pass our compiler settings. */
export declare class Solver {
  constructor(variables: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(slope: (x: number, y: number[]) => number[], from: number, start: number[], to: number): { y: number[] };
}

import * as all from 'fast-check';

/** Of thousands of random cases a handful are tried on each of thousands of faults, and none is made smaller that fails. */
const MOST_RUNS = 8;

export * from 'fast-check';
export const assert = (property, options = {}) =>
  all.assert(property, { ...options, numRuns: Math.min(options.numRuns ?? 100, MOST_RUNS), endOnFailure: true });
export default { ...all, assert };

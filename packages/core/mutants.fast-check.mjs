import * as all from 'fast-check';

/** Of thousands of random cases a share is tried on each of thousands of faults, and none is made smaller that fails. */
const runsOf = ({ numRuns = 100 }) => Math.min(numRuns, Math.max(8, Math.min(40, Math.floor(numRuns / 8))));

export * from 'fast-check';
export const assert = (property, options = {}) =>
  all.assert(property, { ...options, numRuns: runsOf(options), endOnFailure: true });
export default { ...all, assert };

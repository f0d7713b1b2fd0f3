import { MOST_PARTS, type Phase } from './exercise';

/** So near to the whole the shares of the parts are taken to add up. */
const WHOLE = 1e-6;

/** Whether the shares of the parts add up to one; no parts have nothing to add up. */
export const addUp = (phases: readonly Phase[]): boolean =>
  phases.length === 0 || Math.abs(phases.reduce((sum, { share }) => sum + share, 0) - 1) <= WHOLE;

/** The parts with shares that add up to one, each in proportion to what it was. */
export function evenedParts(phases: readonly Phase[]): Phase[] {
  const total = phases.reduce((sum, { share }) => sum + share, 0);
  return phases.map((phase) => ({ ...phase, share: phase.share / total }));
}

/** The parts without one of them, the rest filling its time. @param index from 0 */
export const withoutPart = (phases: readonly Phase[], index: number): Phase[] =>
  evenedParts(phases.filter((_, at) => at !== index));

/** The parts with a new one at their end, as long as the others are on average; no more than a cycle may have. */
export function withNewPart(phases: readonly Phase[]): Phase[] {
  if (phases.length >= MOST_PARTS) return [...phases];
  const share = 1 / (phases.length + 1);
  const before = phases.map((phase) => ({ ...phase, share: phase.share * (1 - share) }));
  const name = `Part ${before.length + 1}`;
  return evenedParts([...before, { name, share, breath: 'free', reversed: '', heldBreaths: 0, end: null, via: [] }]);
}

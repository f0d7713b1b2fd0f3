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

/** The parts with a new one at their end that stands as the last, as long as the others are on average; no more than a cycle may have. */
export function withNewPart(phases: readonly Phase[]): Phase[] {
  if (phases.length >= MOST_PARTS) return [...phases];
  const end = phases.at(-1)?.end ?? null;
  const share = 1 / (phases.length + 1);
  const before = phases.map((phase) => ({ ...phase, share: phase.share * (1 - share) }));
  const name = `Part ${before.length + 1}`;
  return evenedParts([
    ...before,
    { name, share, breath: 'free', reversed: '', call: '', callReversed: '', heldBreaths: 0, end, via: [], points: [] },
  ]);
}

/** The parts with one of them done twice, each half as long; no more than a cycle may have. @param index from 0 */
export function withPartTwice(phases: readonly Phase[], index: number): Phase[] {
  if (phases.length >= MOST_PARTS) return [...phases];
  return phases.flatMap((phase, at) => {
    const half = { ...phase, share: phase.share / 2 };
    return at === index ? [half, half] : [phase];
  });
}

/** A list with one entry moved earlier or later; as it is where it would leave the list. */
export function movedBy<T>(list: readonly T[], index: number, by: number): T[] {
  const [entry, to] = [list[index], index + by];
  if (entry === undefined || to < 0 || to >= list.length) return [...list];
  return list.toSpliced(index, 1).toSpliced(to, 0, entry);
}

import { bodyFindings } from './onBody';
import { floorFindings } from './onFloor';
import { personFindings } from './forPerson';
import { shapeFindings } from './shape';
import type { Finding, FindingContext } from './finding';

export * from './contradictions';
export { partsOf } from './finding';
export type { Finding, FindingContext, FindingPerson, Mend, Part } from './finding';

const weight = { danger: 0, doubt: 1, note: 2 } as const;

/** Everything that is wrong in a routine, dangers first, without what is ignored on purpose. Dangers cannot be kept. */
export function routineFindings(context: FindingContext): Finding[] {
  const kept = new Set(context.routine.keptOnPurpose);
  return [...bodyFindings(context), ...personFindings(context), ...floorFindings(context), ...shapeFindings(context)]
    .filter((finding) => finding.grade === 'danger' || !kept.has(finding.key))
    .toSorted((a, b) => weight[a.grade] - weight[b.grade]);
}

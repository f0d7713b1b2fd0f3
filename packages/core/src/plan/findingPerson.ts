import type { FindingPerson } from '../findings/finding';
import { standardPerson, type PersonRecord } from '../person/personRecord';
import { doseOf, gridOf } from './steps';

/**
 * For whom a routine is looked at: with what is practised and planned already, or a standard body where it is nobody in particular.
 * @param today YYYY-MM-DD
 */
export function findingPerson(record: PersonRecord | null, routineId: string, today: string): FindingPerson {
  const lines = (record?.logs ?? []).flatMap((log) => log.lines);
  return {
    ...(record ?? standardPerson(today)),
    learned:
      record === null ? null : new Set(lines.filter((entry) => entry.done.amount > 0).map((entry) => entry.exerciseId)),
    reached: (record?.plans ?? [])
      .filter((plan) => plan.routineId === routineId)
      .flatMap((plan) =>
        plan.strands.map((strand) => ({
          segmentId: strand.segmentId,
          axis: strand.axis,
          level: doseOf(strand.level, gridOf(strand)),
        })),
      ),
  };
}

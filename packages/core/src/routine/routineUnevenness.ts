import type { Dose, SideAmount } from '../library/dose';
import { workSeconds } from '../library/repetitions';
import { groupBy } from '../words/groupBy';
import { laps } from './laps';
import type { ExerciseSegment, Routine } from './routine';
import { unevenness, type Unevenness } from './unevenness';

/** Where an exercise is unequal over a whole routine, and the segments it is done in. */
export interface RoutineUnevenness extends Unevenness {
  readonly exerciseId: string;
  readonly segmentIds: readonly string[];
  /** In what it is counted: as its doses are, or in seconds where these differ. */
  readonly unit: Dose['kind'] | 'seconds';
}

/** What is added up: amounts where all doses are alike, else their seconds. */
function rowsOf(segments: readonly ExerciseSegment[]): Pick<RoutineUnevenness, 'unit'> & { rows: SideAmount[] } {
  const { dose: first } = segments[0]!;
  const size = ({ dose }: ExerciseSegment): string =>
    dose.kind === 'hold'
      ? `hold ${dose.holdSeconds}`
      : `${dose.kind} ${dose.kind === 'cycle' ? dose.roundSeconds : ''}`;
  const alike = segments.every((segment) => size(segment) === size(segments[0]!));
  const rows = segments.flatMap(({ dose }) =>
    dose.amounts.map((row) => (alike ? row : { ...row, amount: Math.round(workSeconds(dose, row.amount)) })),
  );
  return { unit: alike ? first.kind : 'seconds', rows };
}

/**
 * Where exercises are unequal between left and right, or forward and reversed, over the whole of a routine: what is done to one
 * side in one segment and to the other in a later one is even.
 */
export function routineUnevenness(routine: Pick<Routine, 'segments' | 'rounds'>): RoutineUnevenness[] {
  const done = laps(routine).flatMap(({ segment }) => (segment.type === 'exercise' ? [segment] : []));
  return [...groupBy(done, (segment) => segment.exerciseId)].flatMap(([exerciseId, segments]) => {
    const { rows, unit } = rowsOf(segments);
    const segmentIds = [...new Set(segments.map((segment) => segment.id))];
    return unevenness({ amounts: rows }).map((found) => ({ ...found, exerciseId, segmentIds, unit }));
  });
}

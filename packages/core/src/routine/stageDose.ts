import type { Dose, SideAmount } from '../library/dose';
import type { Exercise } from '../library/exercise';
import type { Stage } from '../library/teaching';
import type { ExerciseSegment, Routine } from './routine';
import { stageOf, turnedBy } from './turned';

/** As many the other way round on the same side. */
const otherWay = (row: SideAmount, rows: readonly SideAmount[]): number =>
  rows.find(({ side, direction }) => side === row.side && direction !== row.direction)?.amount ?? 0;

/** Only one way round: with as many as were asked for that way, or where there were none, the other. */
const oneWay = (amounts: readonly SideAmount[], way: 'forward' | 'reversed'): SideAmount[] =>
  amounts.map((row) => {
    if (row.direction === 'none') return row;
    return { ...row, amount: row.direction === way ? row.amount || otherWay(row, amounts) : 0 };
  });

/** Both ways round again. */
const bothWaysOf = (amounts: readonly SideAmount[]): SideAmount[] =>
  amounts.map((row) => ({ ...row, amount: row.amount || otherWay(row, amounts) }));

/** As much with each hand. */
const eachHand = (amounts: readonly SideAmount[]): SideAmount[] =>
  amounts.some(({ side }) => side === 'both')
    ? (['left', 'right'] as const).flatMap((side) => amounts.map((row) => ({ ...row, side })))
    : [...amounts];
/** As much with both hands together. */
const handsTogether = (amounts: readonly SideAmount[]): SideAmount[] =>
  amounts.filter(({ side }) => side !== 'left').map((row) => ({ ...row, side: 'both' }));

/** Each hand by itself where the stage has one move, both together where it no longer does. */
function handsIn(
  amounts: readonly SideAmount[],
  drill: Drill,
  stage: Stage | null,
  before: Stage | null,
): SideAmount[] {
  if (drill.twoSided || drill.phases.length === 0) return [...amounts];
  if ((stage?.hands ?? 'both') !== 'both') return eachHand(amounts);
  return (before?.hands ?? 'both') === 'both' ? [...amounts] : handsTogether(amounts);
}

type Drill = Pick<Exercise, 'stages' | 'twoSided' | 'phases'>;

/** A dose as a stage has it: the way round, each hand by itself, and the pace of the breath. */
function doseInStage(dose: Dose, drill: Drill, stage: Stage | null, before: Stage | null): Dose {
  const way = stage?.way ?? 'either';
  const rows = handsIn(dose.amounts, drill, stage, before);
  const again = (before?.way ?? 'either') === 'either' ? rows : bothWaysOf(rows);
  const amounts = way === 'either' ? again : oneWay(rows, way);
  const paced = { ...dose, amounts };
  return paced.kind === 'breath' && stage?.pattern != null ? { ...paced, pattern: stage.pattern } : paced;
}

/** A segment in which another stage of its drill is practised, with what the stage asks of the dose. @param number from 1; null is the whole drill */
export function withStage(segment: ExerciseSegment, exercise: Drill, number: number | null): ExerciseSegment {
  const before = stageOf(segment, exercise);
  const staged = turnedBy(segment, { stage: number });
  return { ...staged, dose: doseInStage(segment.dose, exercise, stageOf(staged, exercise), before) };
}

/**
 * A routine in which the stages that a plan has set ask of the dose what they ask.
 * @param staged segments whose stage is a goal
 */
export function withStageDoses(
  routine: Routine,
  staged: ReadonlySet<string>,
  shelf: ReadonlyMap<string, Exercise>,
): Routine {
  if (staged.size === 0) return routine;
  const segments = routine.segments.map((segment) => {
    const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
    if (segment.type !== 'exercise' || exercise === undefined || !staged.has(segment.id)) return segment;
    return withStage(segment, exercise, segment.turned?.stage ?? null);
  });
  return { ...routine, segments };
}

import equal from 'fast-deep-equal';
import { axesOf, axisValue } from '../axis/doseAxis';
import { axisWords } from '../axis/axisWords';
import { doseWords } from '../library/doseWords';
import type { Exercise } from '../library/exercise';
import type { OwnRung } from '../practice/classJournal';
import { turnedWords } from '../routine/turnedWords';
import type { ExerciseSegment } from '../routine/routine';

type Shelf = ReadonlyMap<string, Pick<Exercise, 'name'>>;

/** The dose in a word or two where only its first figure differs, else whole. */
function doseApart(own: ExerciseSegment, of: ExerciseSegment): string {
  if (equal(own.dose, of.dose)) return '';
  const [axis] = axesOf(own.dose);
  const sameKind = own.dose.kind === of.dose.kind && axis === axesOf(of.dose)[0];
  const sided = new Set(own.dose.amounts.map(({ amount }) => amount)).size > 1;
  if (axis === undefined || !sameKind || sided) return doseWords(own.dose);
  const value = axisValue(own.dose, axis);
  return value === axisValue(of.dose, axis) ? doseWords(own.dose) : axisWords(value, axis);
}

/**
 * How a person does a segment otherwise than the class, in a few words; empty where it is done as the class does it. More than
 * the class does is no difference: who is further does what all do.
 */
export function apartWords(rung: OwnRung, of: ExerciseSegment, shelf: Shelf): string {
  const { own } = rung;
  if (own === null) return `left out${rung.because === '' ? '' : `: ${rung.because}`}`;
  const swapped = own.exerciseId !== of.exerciseId;
  const name = swapped ? (shelf.get(own.exerciseId)?.name ?? 'another exercise') : '';
  const turned = equal(own.turned, of.turned) ? '' : turnedWords(own.turned ?? {});
  const dose = isMore(own, of) ? '' : doseApart(own, of);
  return [name, dose, turned].filter((words) => words !== '').join(', ');
}

/** Whether the first figure of a dose is beyond that of the class, of the same drill. */
function isMore(own: ExerciseSegment, of: ExerciseSegment): boolean {
  const [axis] = axesOf(own.dose);
  if (axis === undefined || own.exerciseId !== of.exerciseId || own.dose.kind !== of.dose.kind) return false;
  if (axis !== axesOf(of.dose)[0]) return false;
  return axisValue(own.dose, axis) > axisValue(of.dose, axis);
}

/** Something a person does otherwise, and in which exercises of the class. */
export interface Apart {
  readonly exercises: readonly string[];
  readonly words: string;
}

/** All that a person does otherwise in a class, in the order of the routine; what is the same in several is said once. */
export function apartLines(rungs: readonly OwnRung[], segments: readonly ExerciseSegment[], shelf: Shelf): Apart[] {
  const lines = new Map<string, string[]>();
  for (const segment of segments) {
    const rung = rungs.find(({ segmentId }) => segmentId === segment.id);
    const words = rung === undefined ? '' : apartWords(rung, segment, shelf);
    if (words === '') continue;
    lines.set(words, [...(lines.get(words) ?? []), shelf.get(segment.exerciseId)?.name ?? '']);
  }
  return [...lines].map(([words, exercises]) => ({ exercises, words }));
}

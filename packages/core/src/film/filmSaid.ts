import type { Dose } from '../library/dose';
import { counted } from '../words/counted';
import { SLIDES, type Film } from './film';
import type { FilmCycles } from './filmCycles';
import type { FilmReading, Kept } from './filmReading';
import { inUnit } from './filmWords';
import { isSideView, markWords, type FilmFrom, type FilmSide } from './still';

export const secondsSaid = (value: number): string => `${value.toFixed(1)} s`;
/** How even cycles are: “to 8 %”. */
export const evenSaid = (spread: number): string => `to ${Math.max(1, Math.round(100 * spread))} %`;

/** What goes to and fro: “Right hand”. */
export const whoGoes = ({ by, side }: Pick<FilmCycles, 'by' | 'side'>): string =>
  by === 'hips' ? 'Hips' : side === 'both' ? 'Hands' : `${side === 'left' ? 'Left' : 'Right'} hand`;

/** What was counted: “Right hand: 6 cycles, 5.1 s each, 48 cm from end to end”. */
export function cyclesSaid({ by, side, count, mean, rangeCm, spread }: FilmCycles): string {
  const who = whoGoes({ by, side });
  const each = mean === null ? '' : `, ${secondsSaid(mean)} each`;
  const far = rangeCm === null ? '' : `, ${inUnit(rangeCm, 'cm')} from end to end`;
  const even = spread === null ? '' : `, even ${evenSaid(spread)}`;
  return `${who}: ${counted(count, 'cycle')}${each}${even}${far}.`;
}

/** How the pace is beside what a dose asks; empty where it asks none. */
export function paceSaid({ mean }: Pick<FilmCycles, 'mean'>, dose: Dose): string {
  if (dose.kind !== 'cycle' || mean === null) return '';
  const asked = dose.cycleSeconds + dose.staySeconds;
  const off = mean - asked;
  // A tenth quicker or slower is the same pace to a teacher’s eye (house value).
  if (Math.abs(off) <= asked / 10) return `Asked: ${secondsSaid(asked)} each. That is the pace.`;
  return `Asked: ${secondsSaid(asked)} each. ${off < 0 ? 'Quicker' : 'Slower'} by ${secondsSaid(Math.abs(off))}.`;
}

/** What was asked of a drill on the day it was filmed. */
export interface AskedThen {
  /** Who says so: the log of that day, else the plan as it stands, else the exercise itself. */
  readonly by: 'log' | 'plan' | 'exercise';
  readonly dose: Dose;
  readonly side: FilmSide | 'both';
  /** Repetitions of that side; null where it is not given in repetitions. */
  readonly count: number | null;
  /** Done by the log; null where there is none. */
  readonly done: number | null;
}

const askers = { log: 'The log of that day has', plan: 'The plan asks', exercise: 'The exercise asks' } as const;

/** What was asked that day beside what is counted: “The plan asks 12 on the right side; the film shows 6 of them.” Empty where no number is asked. */
export function askedSaid(asked: AskedThen, { count: seen }: Pick<FilmCycles, 'count'>): string {
  const { by, side, count, done } = asked;
  if (count === null || count === 0) return '';
  const where = side === 'both' ? '' : ` on the ${side} side`;
  const log = done === null ? '' : ` asked, ${done} done`;
  const shows =
    seen === count ? 'all of them' : seen < count ? `${seen} of them` : `${seen}, ${seen - count} more than asked`;
  return `${askers[by]} ${count}${where}${log}; the film shows ${shows}.`;
}

/** What of what was counted stands for the side that works: its hand where it is seen, else what goes furthest. */
export const countedOf = (cycles: readonly FilmCycles[], side: AskedThen['side']): FilmCycles | null =>
  cycles.find((entry) => entry.by === 'wrist' && entry.side === side) ?? cycles[0] ?? null;

/** How wide each ± of a followed film is, and why. */
export function slidesSaid({ taped }: Pick<Film, 'taped'>, from: FilmFrom): string {
  if (taped) return '± as if each point were marked by hand.';
  const trunk = isSideView(from) ? '' : `, and ${SLIDES.turned} at hips and shoulders of a trunk that turns`;
  return `± with how far cloth slides off a joint: some ${SLIDES.limb} cm${trunk}. Keep the moment and set its points right where you want to know more closely.`;
}

/** How both hands are to each other; empty where only one is seen. */
export function evennessSaid(cycles: readonly FilmCycles[]): string {
  const [left, right] = (['left', 'right'] as const).map((side) =>
    cycles.find((entry) => entry.by === 'wrist' && entry.side === side),
  );
  if (left?.rangeCm == null || right?.rangeCm == null) return '';
  const off = right.rangeCm - left.rangeCm;
  // A tenth is no difference to a teacher’s eye (house value).
  const even = Math.abs(off) <= Math.max(left.rangeCm, right.rangeCm) / 10;
  const far = even
    ? 'Both hands go equally far'
    : `The ${off > 0 ? 'right' : 'left'} hand goes ${inUnit(off, 'cm')} further`;
  const count = left.count === right.count ? '' : `, left ${left.count} and right ${right.count} times`;
  return `${far}${count}.`;
}

/** Whether the height was kept: “The head stays within 3.1 cm, and is 2.4 cm lower in the end”. */
export function heightSaid({ range, change }: Kept): string {
  const end =
    Math.abs(change) < 1 ? '' : `, and is ${inUnit(change, 'cm')} ${change < 0 ? 'lower' : 'higher'} in the end`;
  return `The head goes up and down by ${inUnit(range, 'cm')}${end}.`;
}

/** Whether the feet stayed: “The left ankle bone moves by 6 cm”; those that stay within 2 cm are not named (house value). */
export function driftSaid(drift: FilmReading['drift'], from: FilmFrom): string {
  if (drift.length === 0) return '';
  const moved = drift.filter(({ cm }) => cm >= 2);
  if (moved.length === 0) return drift.length === 1 ? 'The foot stays where it is.' : 'The feet stay where they are.';
  return moved.map(({ name, cm }) => `The ${markWords(name, from)} moves by ${inUnit(cm, 'cm')}.`).join(' ');
}

/** Where it stood still: “Stood still at 12.4 s for 3.0 s”. */
export const pausesSaid = ({ pauses }: Pick<FilmCycles, 'pauses'>): string =>
  pauses.length === 0
    ? ''
    : `Stood still ${pauses.map(({ at, seconds: long }) => `at ${secondsSaid(at)} for ${secondsSaid(long)}`).join(', ')}.`;

import type { Strand } from '../../goals/plan';
import type { PracticeLog } from '../../practice/log';
import { dayNumber } from '../../days/dayNumber';
import { MET, type Rules } from '../machine/strandState';
import { doseOf, floorToStep, gridOf } from '../steps';
import { askedDose, sessionOf } from '../strandSessions';
import { halfStep } from './halfStep';

/** So many practices at one dose make a plateau. House value. */
export const PLATEAU_PRACTICES = 6;

/** A goal that has stopped rising although it is practised. */
export interface Plateau {
  /** The dose as it is asked for. */
  readonly dose: number;
  /** The dose that was really held: the median of the latest practices, on the half step; the dose itself where all of it was. */
  readonly held: number;
  /** `short`: not all of it was done; `hard`: it was, but mostly too hard to raise it. */
  readonly because: 'short' | 'hard';
}

/** A strand with all that was practised of it. */
export interface PractisedStrand {
  readonly strand: Strand;
  /** Practices of the student, in their order (`inOrder`). */
  readonly logs: readonly PracticeLog[];
  readonly rules: Pick<Rules, 'partlyMet' | 'effortCeiling' | 'easeGapDays'>;
  /** YYYY-MM-DD */
  readonly today: string;
  /** No more than this is asked, for what is noted of the person; null where nothing is. */
  readonly cap: number | null;
}

const median = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = sorted.length / 2;
  return Number.isInteger(middle) ? (sorted[middle - 1]! + sorted[middle]!) / 2 : sorted[Math.floor(middle)]!;
};

const latest = (moments: readonly (string | null)[]): number =>
  Math.max(-Infinity, ...moments.map((moment) => (moment === null ? -Infinity : Date.parse(moment))));

/**
 * The plateau a strand stands on: its latest six practices since its level changed, or since the teacher answered the last plateau, asked for
 * the whole dose, none came below the share at which it is eased, no gap lies between them, each has an effort, and never were two running
 * met and light enough for a raise (sources: Raising the load). Null where there is none.
 */
export function plateauOf({ strand, logs, rules, today, cap }: PractisedStrand): Plateau | null {
  const since = latest([strand.changedAt, strand.plateauAnsweredAt]);
  const sessions = logs
    .filter((log) => log.day <= today && Date.parse(log.startedAt) > since)
    .flatMap((log) => {
      const session = sessionOf(log, strand, cap);
      return session?.counts === true ? [{ ...session, asked: askedDose(log, strand) }] : [];
    });
  const last = sessions.slice(-PLATEAU_PRACTICES);
  if (last.length < PLATEAU_PRACTICES) return null;
  const gap = ({ day }: { day: number }, at: number): boolean => day - (last[at - 1]?.day ?? day) >= rules.easeGapDays;
  if (last.some(gap) || dayNumber(today) - last.at(-1)!.day >= rules.easeGapDays) return null;
  const good = last.map(({ share, effort }) => share >= MET && effort !== null && effort <= rules.effortCeiling);
  const unknown = last.some(({ share, effort }) => share >= MET && effort === null);
  const rising = good.some((one, at) => one && good[at + 1] === true) || good.at(-1) === true;
  if (unknown || rising || last.some(({ share }) => share < rules.partlyMet)) return null;
  const dose = Math.min(cap ?? Infinity, doseOf(strand.level, gridOf(strand)));
  const done = median(last.map(({ share, asked }) => (Number.isFinite(asked) ? Math.min(asked, dose) : dose) * share));
  const short = done < dose * MET;
  const half = halfStep(strand);
  const held = short ? Math.max(Math.min(half, dose), floorToStep(done, half)) : dose;
  return { dose, held, because: short ? 'short' : 'hard' };
}

import type { BreathPattern } from '../breath/breathPattern';
import { breathPeriod } from '../breath/breathPeriod';
import { isTimed, type Dose } from '../library/dose';
import { firstSeconds, workSeconds } from '../library/repetitions';
import { conventionsOf } from './conventions';
import type { Family } from '../library/exercise';
import type { School } from './school';

/** The breath a hold is counted in where nothing is known of the student: 4 s in, 5 s out. House value. */
const EASY: BreathPattern = { inSeconds: 4, fullPauseSeconds: 0, outSeconds: 5, emptyPauseSeconds: 0 };
/** Doses given in minutes come in steps of this many seconds. */
const STEP = 30;

/** Rounded to the multiple; fewer than one multiple is left alone: three steps stay three. */
const rounded = (amount: number, multiple: number): number =>
  amount < multiple ? amount : Math.round(amount / multiple) * multiple;

/** Brisk loosening takes this share of its time. House value. */
const BRISK = 0.75;

/** Warm-ups at the school's pace, to the half second: as many, sooner done; of what is given as time, more of them. */
function paced(dose: Dose, school: School, family: Family | undefined): Dose {
  if (school.pace !== 'brisk' || family !== 'warm-up' || dose.kind !== 'cycle') return dose;
  return { ...dose, cycleSeconds: Math.max(1, Math.round(dose.cycleSeconds * BRISK * 2) / 2) };
}

/**
 * The first dose of an exercise as a school gives it: holds in breaths, drills in minutes, counts in the
 * school's multiples, no pauses longer than it allows. Only defaults go through here; a dose that a
 * teacher set is never changed.
 */
export function schoolDose(asWritten: Dose, school: School, family?: Family): Dose {
  const given = paced(asWritten, school, family);
  // Where nothing is counted, it is enough when it feels so; the amount is what it is reckoned with.
  const dose: Dose = school.counted === 'feel' ? { ...given, least: given.least ?? 0 } : given;
  const limit = conventionsOf(school).pauseLimitSeconds;
  if (dose.kind === 'breath') {
    const { fullPauseSeconds, emptyPauseSeconds } = dose.pattern;
    return {
      ...dose,
      pattern: {
        ...dose.pattern,
        fullPauseSeconds: Math.min(limit, fullPauseSeconds),
        emptyPauseSeconds: Math.min(limit, emptyPauseSeconds),
      },
    };
  }
  if (isTimed(dose)) return dose;
  if (dose.kind === 'hold') {
    if (school.counted !== 'breaths') return dose;
    const breaths = rounded(Math.max(1, Math.round(dose.holdSeconds / breathPeriod(EASY))), school.countsOf);
    return {
      kind: 'breath',
      pattern: EASY,
      slowing: 1,
      restSeconds: dose.restSeconds,
      least: dose.least === null ? null : Math.round(dose.least / breathPeriod(EASY)),
      amounts: dose.amounts.map((row) => ({ ...row, amount: row.amount * breaths })),
    };
  }
  if (school.counted === 'minutes') {
    const seconds = workSeconds(dose, Math.max(...dose.amounts.map((row) => row.amount)));
    return {
      ...dose,
      roundSeconds: Math.max(STEP, rounded(seconds, STEP)),
      least: dose.least === null ? null : dose.least * firstSeconds(dose),
      amounts: dose.amounts.map((row) => ({ ...row, amount: row.amount === 0 ? 0 : 1 })),
    };
  }
  return {
    ...dose,
    amounts: dose.amounts.map((row) => ({
      ...row,
      amount: row.amount === 0 ? 0 : rounded(row.amount, school.countsOf),
    })),
  };
}

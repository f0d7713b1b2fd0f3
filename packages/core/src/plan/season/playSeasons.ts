import type { Random } from '../../random/seededRandom';
import { weekdayOf } from '../../days/dayNumber';
import type { Season } from './planSeason';
import { PlayedSeason, type Outcome } from './playedSeason';
import { isLighter, sessionDays, weekOfDay } from './seasonCalendar';
import type { SeasonProblem } from './seasonProblem';

/** How the student practises. */
export interface Habits {
  /** Chance that a practice day is kept, by ISO weekday (index 1 to 7), 0–1. */
  readonly attendance: readonly number[];
  /** Outcomes of each strand, at least one: what a practice comes to is drawn from the student's own. */
  readonly outcomes: readonly (readonly Outcome[])[];
}

export interface Band {
  /** Dose that the week's first practice day asks for in the 10th, 50th and 90th of a hundred seasons. */
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}
export interface Played {
  /** By calendar week of the plan, from the present one. */
  readonly weeks: readonly Band[];
  /** Share of seasons in which the target is asked for by its day. */
  readonly byTargetDay: number;
}

const percentile = (sorted: Float64Array, share: number): number => sorted[Math.floor(share * sorted.length)]!;

/**
 * Many seasons played day by day on the machine with the student's own habits, verdicts accepted as they fall due, under
 * all rails, holidays and lighter weeks (sources: Raising the load). Where strands compete, none rises to a level before the week in which
 * the plan has it there. With every day kept and every dose met it is the plan.
 * @param weeks how many, from the present one
 */
export function playSeasons(
  problem: SeasonProblem,
  season: Season,
  habits: Habits,
  weeks: number,
  seasons: number,
  random: Random,
  progress: (share: number) => void = () => undefined,
): Played[] {
  const { strands, calendar } = problem;
  const first = weekOfDay(calendar, calendar.today);
  const days = Array.from({ length: weeks }, (_, at) => sessionDays(calendar, first + at));
  const chance = days.map((list) => list.map((day) => habits.attendance[weekdayOf(day)]!));
  const full = days.map((_, at) => !isLighter(calendar, first + at));
  const doses = strands.map(() => Array.from({ length: weeks }, () => new Float64Array(seasons)));
  const reached = strands.map(() => 0);
  const one = new PlayedSeason(problem, season);
  const drawn = (index: number): Outcome => {
    const outcomes = habits.outcomes[index]!;
    return outcomes[Math.floor(random() * outcomes.length)]!;
  };
  for (let number = 0; number < seasons; number += 1) {
    const arrived = strands.map(() => false);
    one.begin();
    for (let at = 0; at < weeks; at += 1) {
      one.beginWeek(first + at);
      if (at === 0) one.decide(calendar.today);
      const list = days[at]!;
      if (list.length === 0)
        for (let index = 0; index < strands.length; index += 1) doses[index]![at]![number] = one.asked(index);
      for (let each = 0; each < list.length; each += 1) {
        const day = list[each]!;
        const kept = random() < chance[at]![each]!;
        if (kept) one.decideBefore(day);
        if (each === 0)
          for (let index = 0; index < strands.length; index += 1) doses[index]![at]![number] = one.asked(index);
        if (full[at]! && one.anyAtTarget)
          for (let index = 0; index < strands.length; index += 1)
            if (one.atTarget[index]! && day <= strands[index]!.targetDay) arrived[index] = true;
        if (!kept) continue;
        one.practise(day, drawn);
        one.decideAfter(day);
      }
    }
    for (let index = 0; index < strands.length; index += 1) if (arrived[index]!) reached[index]! += 1;
    if (number % 100 === 99) progress((number + 1) / seasons);
  }
  return doses.map((byWeek, index) => ({
    weeks: byWeek.map((list): Band => {
      const sorted = list.sort();
      return { low: percentile(sorted, 0.1), middle: percentile(sorted, 0.5), high: percentile(sorted, 0.9) };
    }),
    byTargetDay: reached[index]! / seasons,
  }));
}

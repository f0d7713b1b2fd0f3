import { applied } from '../machine/applied';
import { judge, reachDose, type Bars } from '../machine/judge';
import { knownLevel, type Session, type StrandState } from '../machine/strandState';
import { withSession } from '../machine/withSession';
import { doseInWeek } from '../planDay';
import { doseOf } from '../steps';
import { Joint } from './joint';
import type { Season } from './planSeason';
import { isLighter, pauseOn } from './seasonCalendar';
import type { SeasonProblem } from './seasonProblem';

const TINY = 1e-9;

/** What a practice of a strand comes to. */
export type Outcome = Pick<Session, 'share' | 'kept' | 'effort'>;

/**
 * One season of a whole plan as it is played: the machine for each strand, the rails for all of them. The same object is
 * begun anew for each season.
 */
export class PlayedSeason {
  private readonly joint: Joint;
  private readonly count: number;
  /** In which weeks the best season has each strand at which level. */
  private readonly planned: readonly (readonly { readonly week: number; readonly level: number }[])[];
  private readonly bars = new Map<number, Bars[]>();
  private readonly reach: readonly number[];
  private states: StrandState[] = [];
  /** Dose of each level, whatever the week; 0 while it is closed. */
  private readonly dose: number[] = [];
  /** Whether the dose of the level is that of the target. */
  readonly atTarget: boolean[] = [];
  /** Whether what was last ruled may change by itself. */
  private passing: boolean[] = [];
  private readonly began: number[] = [];
  private risen = new Map<string, number>();
  private anyRisen = false;
  private week = 0;
  private lighter = false;
  private cap = 0;

  constructor(
    private readonly problem: SeasonProblem,
    season: Season,
  ) {
    this.joint = new Joint(problem);
    this.count = problem.strands.length;
    this.reach = problem.strands.map(({ ladder }) => reachDose(ladder));
    this.planned = season.strands.map(({ weeks }) =>
      weeks.filter(({ raised }) => raised).map(({ week, level }) => ({ week, level })),
    );
  }

  begin(): void {
    this.states = this.problem.strands.map(({ state }) => state);
    this.passing = this.states.map(() => true);
    this.states.forEach((_, index) => this.dosed(index));
  }

  /** Keeps the dose of a level beside it: it changes seldom and is asked for often. */
  private dosed(index: number): void {
    const { open, level } = this.states[index]!;
    const { ladder } = this.problem.strands[index]!;
    this.dose[index] = open ? doseOf(level, ladder.step) : 0;
    this.atTarget[index] = open && this.dose[index] >= this.reach[index]!;
  }

  beginWeek(week: number): void {
    const { strands, rails } = this.problem;
    const first = week === this.joint.firstWeek;
    this.week = week;
    this.lighter = isLighter(this.problem.calendar, week);
    for (let index = 0; index < this.count; index += 1)
      this.began[index] = first ? strands[index]!.levelBefore : knownLevel(this.states[index]!);
    this.risen.clear();
    if (first) for (const { family } of strands) this.risen.set(family, this.joint.risenAlready(family));
    this.anyRisen = first && this.joint.risenThisWeek;
    this.cap =
      (1 + rails.loadGrowth) *
      Math.max(
        rails.usualLoad,
        this.joint.load((index) => this.began[index]!),
      ) *
      (1 + TINY);
  }

  /** What the week asks for; 0 while it is closed. */
  asked(index: number): number {
    const { open, level } = this.states[index]!;
    const { ladder, overrules } = this.problem.strands[index]!;
    if (!this.lighter && overrules.length === 0) return this.dose[index]!;
    return open ? doseInWeek(this.problem.calendar, { level, step: ladder.step, overrules }, this.week) : 0;
  }

  /** A practice of all that is open. @param outcome gives what one practice of a strand comes to */
  practise(day: number, outcome: (index: number) => Outcome): void {
    const { rules } = this.problem;
    for (let index = 0; index < this.count; index += 1) {
      const state = this.states[index]!;
      const { share, kept, effort } = outcome(index);
      if (!state.open || state.lastOn >= day) continue;
      const counts = this.asked(index) >= this.dose[index]!;
      this.states[index] = withSession(state, { day, share, kept, effort, counts }, rules);
    }
  }

  /** Accepts what is due before a practice: only where something has changed since the last one. */
  decideBefore(day: number): void {
    const { stayGapDays } = this.problem.rules;
    const bars = this.barsOn(day);
    for (const index of this.joint.order) {
      const { lastOn } = this.states[index]!;
      if (lastOn < day && (this.passing[index]! || day - lastOn >= stayGapDays)) this.rule(index, day, bars[index]!);
    }
  }

  /** Accepts what is due. */
  decide(day: number): void {
    const bars = this.barsOn(day);
    for (const index of this.joint.order) this.rule(index, day, bars[index]!);
  }

  private rule(index: number, day: number, bars: Bars): void {
    const { strands, rules } = this.problem;
    const state = this.states[index]!;
    const { ladder, family } = strands[index]!;
    const ruling = judge(state, day, ladder, rules, state.open ? bars : { ...bars, gateOpen: this.gateOpen(index) });
    const { because, level } = ruling;
    this.passing[index] = ruling.passing;
    if (level === null) return;
    if (because === 'raise' || because === 'opens') {
      if (!this.mayRise(index, level, because === 'opens')) return;
      this.risen.set(family, (this.risen.get(family) ?? 0) + 1);
      this.anyRisen = true;
    }
    this.states[index] = applied(state, ruling, day);
    this.dosed(index);
  }

  private barsOn(day: number): Bars[] {
    let bars = this.bars.get(day);
    if (bars === undefined) {
      const pause = pauseOn(this.problem.calendar, day);
      bars = this.problem.strands.map(({ pointUntil }) => ({
        point: day < pointUntil,
        pause,
        gateOpen: true,
        turn: true,
      }));
      this.bars.set(day, bars);
    }
    return bars;
  }

  private gateOpen(index: number): boolean {
    const { strands } = this.problem;
    const { gate } = strands[index]!;
    if (gate === null) return true;
    const before = this.began[gate.strand]!;
    return before > 0 && doseOf(before, strands[gate.strand]!.ladder.step) >= gate.dose;
  }

  private mayRise(index: number, to: number, opens: boolean): boolean {
    const { strands, rails } = this.problem;
    const { family, ladder, minutesPerUnit, loadPerUnit } = strands[index]!;
    if ((this.risen.get(family) ?? 0) >= rails.raisesPerFamily) return false;
    const first = this.planned[index]!.find((raise) => raise.level >= to - TINY);
    if (first !== undefined && first.week > this.week) return false;
    const now = this.levelOf(index);
    const more = this.joint.load((one) => this.levelOf(one)) + loadPerUnit * (to - now);
    if (!(opens && !this.anyRisen) && more > this.cap) return false;
    if (rails.sessionMinutes === null) return true;
    let minutes = rails.baseMinutes;
    for (let one = 0; one < this.count; one += 1) minutes += strands[one]!.minutesPerUnit * this.dose[one]!;
    return minutes + minutesPerUnit * (doseOf(to, ladder.step) - this.dose[index]!) <= rails.sessionMinutes + 1e-6;
  }

  private levelOf(index: number): number {
    const { open, level } = this.states[index]!;
    return open ? level : 0;
  }
}

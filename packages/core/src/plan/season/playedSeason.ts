import { applied } from '../machine/applied';
import { judge, mayMove, reachDose, type Bars } from '../machine/judge';
import { knownLevel, type Session, type StrandState } from '../machine/strandState';
import { withSession } from '../machine/withSession';
import { doseInWeek } from '../planDay';
import { doseOf } from '../steps';
import { Joint } from './joint';
import type { Season } from './planSeason';
import { isTest } from './playWeek';
import { railBroken } from './railBroken';
import { isLighter, pauseOn } from './seasonCalendar';
import type { SeasonProblem } from './seasonProblem';

const TINY = 1e-9;

/** What a practice of a strand comes to. */
export interface Outcome extends Pick<Session, 'share' | 'kept' | 'effort'> {
  /** The dose that was asked for when it came to that; Infinity or 0 where it is not known. */
  readonly asked: number;
}

/**
 * One season of a whole plan as it is played: the machine for each strand, the rails for all of them. The same object is
 * begun anew for each season.
 */
export class PlayedSeason {
  private readonly joint: Joint;
  private readonly count: number;
  /** In which weeks the best season has each strand at which level. */
  private readonly planned: readonly (readonly { readonly week: number; readonly level: number }[])[];
  /** What bars each strand, by the day since the plan began. */
  private readonly bars: (Bars[] | undefined)[] = [];
  /** No dose was set by hand, and each strand is practised as itself and in full. */
  private readonly plain: boolean;
  private readonly reach: readonly number[];
  private states: StrandState[] = [];
  /** Dose of each level, whatever the week; 0 while it is closed. */
  private readonly dose: number[] = [];
  /** Whether the dose of the level is that of the target. */
  readonly atTarget: boolean[] = [];
  anyAtTarget = false;
  /** Whether what was last ruled may change by itself. */
  private passing: boolean[] = [];
  private readonly began: number[] = [];
  /** How many of a family, and of a segment, have risen in the week. */
  private readonly risen = new Map<string, number>();
  private readonly risenSegments = new Map<string, number>();
  private anyRisen = false;
  /** Filled anew for each practice of a strand: a season has tens of thousands. */
  private readonly session = { day: 0, share: 0, kept: 0, effort: null as number | null, counts: true };
  /** Whether every strand is asked for its dose in this week. */
  private full = true;
  private week = 0;
  private lighter = false;
  private loadBefore = 0;

  constructor(
    private readonly problem: SeasonProblem,
    season: Season,
  ) {
    this.joint = new Joint(problem);
    this.count = problem.strands.length;
    this.plain = problem.strands.every(
      ({ overrules, ladder: { cap, mostBy } }) => overrules.length === 0 && cap === null && mostBy !== 'instead',
    );
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
    this.dose[index] = open ? doseOf(level, ladder) : 0;
    this.atTarget[index] = open && Math.min(this.dose[index], ladder.cap ?? Infinity) >= this.reach[index]!;
    this.anyAtTarget = this.atTarget.includes(true);
  }

  beginWeek(week: number): void {
    const { strands } = this.problem;
    const first = week === this.joint.firstWeek;
    this.week = week;
    this.lighter = isLighter(this.problem.calendar, week);
    this.full = !this.lighter && this.plain;
    for (let index = 0; index < this.count; index += 1)
      this.began[index] = first ? strands[index]!.levelBefore : knownLevel(this.states[index]!);
    this.risen.clear();
    this.risenSegments.clear();
    if (first)
      for (const { family, segment } of strands) {
        this.risen.set(family, this.joint.risenAlready('family', family));
        this.risenSegments.set(segment, this.joint.risenAlready('segment', segment));
      }
    this.anyRisen = first && this.joint.risenThisWeek;
    this.loadBefore = this.joint.load((index) => this.began[index]!);
  }

  /** What the week asks for; 0 while it is closed. */
  asked(index: number): number {
    const { open, level } = this.states[index]!;
    const { ladder, overrules, lightens } = this.problem.strands[index]!;
    if (overrules.length === 0 && !(this.lighter && lightens) && ladder.cap === null) return this.dose[index]!;
    const strand = { level, grid: ladder, overrules, lightens, cap: ladder.cap };
    return open ? doseInWeek(this.problem.calendar, strand, this.week) : 0;
  }

  /** A practice of all that is open. @param outcome gives what one practice of a strand comes to */
  practise(day: number, outcome: (index: number) => Outcome): void {
    const { rules } = this.problem;
    const { states, count, session } = this;
    session.day = day;
    for (let index = 0; index < count; index += 1) {
      const state = states[index]!;
      const { share, kept, effort, asked } = outcome(index);
      if (!state.open || state.lastOn >= day) continue;
      const dose = this.full ? this.dose[index]! : this.asked(index);
      // What was done of a larger dose is more of a smaller one.
      const more = asked > dose && asked < Infinity ? asked / dose : 1;
      session.share = Math.min(1, share * more);
      session.kept = Math.min(1, kept * more);
      session.effort = effort;
      const { easierUntil, ladder } = this.problem.strands[index]!;
      session.counts = day > easierUntil && (this.full || isTest(dose, this.dose[index]!, ladder));
      states[index] = withSession(state, session, rules);
    }
  }

  /** Accepts what is due before a practice: only where something has changed since the last one. */
  decideBefore(day: number): void {
    const { stayGapDays } = this.problem.rules;
    const bars = this.barsOn(day);
    const { order } = this.joint;
    for (let at = 0; at < this.count; at += 1) {
      const index = order[at]!;
      const { lastOn } = this.states[index]!;
      if (lastOn < day && (this.passing[index]! || day - lastOn >= stayGapDays)) this.rule(index, day, bars[index]!);
    }
  }

  /** Accepts what is due after a practice. */
  decideAfter(day: number): void {
    const bars = this.barsOn(day);
    const { order } = this.joint;
    for (let at = 0; at < this.count; at += 1) {
      const index = order[at]!;
      const state = this.states[index]!;
      if (state.lastOn === day && !mayMove(state, this.problem.rules)) this.passing[index] = false;
      else this.rule(index, day, bars[index]!);
    }
  }

  /** Accepts what is due. */
  decide(day: number): void {
    const bars = this.barsOn(day);
    const { order } = this.joint;
    for (let at = 0; at < this.count; at += 1) this.rule(order[at]!, day, bars[order[at]!]!);
  }

  private rule(index: number, day: number, bars: Bars): void {
    const { strands, rules } = this.problem;
    const state = this.states[index]!;
    const { ladder, family, segment } = strands[index]!;
    const ruling = judge(state, day, ladder, rules, state.open ? bars : { ...bars, gateOpen: this.gateOpen(index) });
    const { because, level } = ruling;
    this.passing[index] = ruling.passing;
    if (level === null) return;
    if (because === 'raise' || because === 'opens') {
      if (!this.mayRise(index, level, because === 'opens')) return;
      this.risen.set(family, (this.risen.get(family) ?? 0) + 1);
      this.risenSegments.set(segment, (this.risenSegments.get(segment) ?? 0) + 1);
      this.anyRisen = true;
    }
    this.states[index] = applied(state, ruling, day);
    this.dosed(index);
  }

  private barsOn(day: number): Bars[] {
    const at = day - this.problem.calendar.start;
    let bars = this.bars[at];
    if (bars === undefined) {
      bars = this.problem.strands.map(({ pointUntil, easierUntil }) => ({
        point: day < pointUntil,
        pause: pauseOn(this.problem.calendar, easierUntil, day),
        gateOpen: true,
        turn: true,
      }));
      this.bars[at] = bars;
    }
    return bars;
  }

  private gateOpen(index: number): boolean {
    const { strands } = this.problem;
    const { gate } = strands[index]!;
    if (gate === null) return true;
    const before = this.began[gate.strand]!;
    return before > 0 && doseOf(before, strands[gate.strand]!.ladder) >= gate.dose;
  }

  private mayRise(index: number, to: number, opens: boolean): boolean {
    const { strands, rails } = this.problem;
    const { family, segment, ladder, minutesPerUnit, loadPerUnit } = strands[index]!;
    const first = this.planned[index]!.find((raise) => raise.level >= to - TINY);
    if (first === undefined || first.week > this.week) return false;
    let minutes = rails.baseMinutes + minutesPerUnit * (doseOf(to, ladder) - this.dose[index]!);
    for (let one = 0; one < this.count; one += 1) minutes += strands[one]!.minutesPerUnit * this.dose[one]!;
    const rail = railBroken(rails, {
      ofFamily: (this.risen.get(family) ?? 0) + 1,
      ofSegment: (this.risenSegments.get(segment) ?? 0) + 1,
      noLessAlone: (opens || ladder.byRungs) && !this.anyRisen,
      loadBefore: this.loadBefore,
      load: this.joint.load((one) => this.levelOf(one)) + loadPerUnit * (to - this.levelOf(index)),
      minutes,
    });
    return rail === null;
  }

  private levelOf(index: number): number {
    const { open, level } = this.states[index]!;
    return open ? level : 0;
  }
}

import { reachDose, topDose } from '../machine/judge';
import { doseOf } from '../steps';
import { railBroken } from './railBroken';
import { weekOfDay } from './seasonCalendar';
import { byGoalDay, type Rail, type SeasonProblem, type SeasonStrand } from './seasonProblem';
import { StrandNodes, type Node, type Step } from './strandNodes';

const TINY = 1e-9;

/** Where all strands of a plan stand at the start of a week, and what came of the weeks before. */
export interface Label {
  readonly nodes: readonly Node[];
  /** The first day that asked for the highest dose; −1 while there is none. */
  readonly arrivals: readonly number[];
  /** How often a strand was due and left although nothing forbade it. */
  readonly needless: number;
  /** Growth of the load in the weeks so far, the largest first. */
  readonly growths: readonly number[];
  /** Which strands rose, a character a week: the earlier raise of the nearer goal sorts first. */
  readonly path: string;
  /** Which strands rose in each week, by bits. */
  readonly masks: readonly number[];
  /** Weeks running in which something was due and nothing might rise. */
  readonly stuck: number;
  /** Another way led to the same, no worse. */
  readonly tied: boolean;
}

/** After so many weeks in which all that was due was forbidden, nothing will rise any more. */
const STUCK_WEEKS = 8;

/** All strands of a plan week by week under the rails they share. */
export class Joint {
  readonly count: number;
  readonly nodes: readonly StrandNodes[];
  /** Strands by the day of their goal: of two that cannot both rise, the one whose day is nearer comes first. */
  readonly order: readonly number[];
  readonly firstWeek: number;
  /** What a goal that is never reached counts as. */
  readonly lastDay: number;
  /** Strands whose goal is beyond what the body holds: they come as far as that. */
  readonly capped: readonly boolean[];

  constructor(readonly problem: SeasonProblem) {
    const { strands, calendar, mostWeeks } = problem;
    this.count = strands.length;
    this.nodes = strands.map((_, index) => new StrandNodes(problem, index));
    this.order = byGoalDay(strands);
    this.capped = strands.map(({ ladder }) => topDose(ladder) < reachDose(ladder));
    this.firstWeek = weekOfDay(calendar, calendar.today);
    this.lastDay = calendar.start + 7 * mostWeeks;
  }

  root(): Label {
    return {
      nodes: this.nodes.map(({ root }) => root),
      arrivals: this.nodes.map(() => -1),
      needless: 0,
      growths: [],
      path: '',
      masks: [],
      stuck: 0,
      tied: false,
    };
  }

  /** Whether the strand that one waits for stood far enough when the week began. */
  gateOpen({ nodes }: Pick<Label, 'nodes'>, week: number, index: number): boolean {
    const { gate } = this.problem.strands[index]!;
    if (gate === null) return true;
    if (week > this.firstWeek) return nodes[gate.strand]!.knownDose >= gate.dose;
    // In the present week it counts where that strand stood when the week began.
    const { levelBefore, ladder } = this.problem.strands[gate.strand]!;
    return levelBefore > 0 && doseOf(levelBefore, ladder) >= gate.dose;
  }

  step(label: Pick<Label, 'nodes'>, week: number, index: number, turn: boolean): Step {
    return this.nodes[index]!.step(label.nodes[index]!, week, turn, this.gateOpen(label, week, index));
  }

  /** Strands that would rise in a week if it were their turn. */
  ready(label: Pick<Label, 'nodes'>, week: number): number[] {
    return this.order.filter((index) => this.step(label, week, index, true).raised);
  }

  /** Load of a week with all strands at their levels. */
  load(levels: (index: number) => number): number {
    const { strands, rails } = this.problem;
    let sum = rails.baseLoad;
    for (let index = 0; index < strands.length; index += 1) sum += strands[index]!.loadPerUnit * levels(index);
    return sum;
  }

  /** Load with which the week began: in the present one, before what has already risen in it. */
  loadBefore({ nodes }: Pick<Label, 'nodes'>, week: number): number {
    const { strands } = this.problem;
    return this.load((index) => (week === this.firstWeek ? strands[index]!.levelBefore : nodes[index]!.known));
  }

  /** How many strands with the same family, or the same segment, have already risen in the present week. */
  risenAlready(by: 'family' | 'segment', value: string): number {
    return this.problem.strands.filter((strand) => strand[by] === value && this.hasRisen(strand)).length;
  }

  /** The most strands with the same family, or the same segment, that have risen in a week with those rising. */
  private mostRisen(by: 'family' | 'segment', week: number, rising: readonly boolean[]): number {
    const counts = new Map<string, number>();
    for (let index = 0; index < this.count; index += 1) {
      if (!rising[index]!) continue;
      const value = this.problem.strands[index]![by];
      counts.set(value, (counts.get(value) ?? (week === this.firstWeek ? this.risenAlready(by, value) : 0)) + 1);
    }
    return Math.max(0, ...counts.values());
  }

  get risenThisWeek(): boolean {
    return this.problem.strands.some((strand) => this.hasRisen(strand));
  }

  /** What was only found again has not risen. */
  private hasRisen({ state, levelBefore }: SeasonStrand): boolean {
    return state.raisedOn >= this.problem.calendar.start + 7 * this.firstWeek && levelBefore < state.level - TINY;
  }

  /**
   * The rail that forbids a set of strands to rise in a week, or null.
   * @param rising by strand
   */
  broken(label: Pick<Label, 'nodes'>, week: number, rising: readonly boolean[]): Rail | null {
    if (!rising.includes(true)) return null;
    const after = this.nodes.map((_, index) => this.step(label, week, index, rising[index]!).node);
    const alone = rising.filter(Boolean).length === 1 && (week > this.firstWeek || !this.risenThisWeek);
    return railBroken(this.problem.rails, {
      ofFamily: this.mostRisen('family', week, rising),
      ofSegment: this.mostRisen('segment', week, rising),
      noLessAlone: alone && this.comesWhole(label, rising.indexOf(true)),
      loadBefore: this.loadBefore(label, week),
      load: this.load((index) => after[index]!.level),
      minutes: this.minutes(after),
    });
  }

  /** Whether a strand can only come as it is: it opens, or goes up by a whole rung. */
  private comesWhole({ nodes }: Pick<Label, 'nodes'>, index: number): boolean {
    return !nodes[index]!.state.open || this.problem.strands[index]!.ladder.byRungs;
  }

  private minutes(nodes: readonly Node[]): number {
    const { strands, rails } = this.problem;
    return nodes.reduce((sum, { dose }, index) => sum + strands[index]!.minutesPerUnit * dose, rails.baseMinutes);
  }

  /** The label a week later. */
  next(label: Label, week: number, rising: readonly boolean[]): Label {
    const steps = this.nodes.map((_, index) => this.step(label, week, index, rising[index]!));
    const nodes = steps.map(({ node }) => node);
    const before = Math.max(this.problem.rails.usualLoad, this.loadBefore(label, week));
    const growth = before <= 0 ? 0 : Math.max(0, this.load((index) => nodes[index]!.level) / before - 1);
    const code = this.order.reduce((sum, index) => sum * 2 + (rising[index]! ? 0 : 1), 0);
    const mask = rising.reduce((sum, rises, index) => sum + (rises ? 2 ** index : 0), 0);
    const place = label.growths.findIndex((one) => one < growth);
    return {
      nodes,
      arrivals: label.arrivals.map((day, index) => (day >= 0 ? day : (steps[index]!.arrival ?? -1))),
      needless: label.needless + this.needless(label, week, rising),
      growths: label.growths.toSpliced(place < 0 ? label.growths.length : place, 0, Math.round(growth * 1e9) / 1e9),
      path: label.path + code.toString(36).padStart(6, '0'),
      masks: [...label.masks, mask],
      tied: label.tied,
      stuck: mask !== 0 ? 0 : label.stuck + (this.forbidden(label, week) ? 1 : 0),
    };
  }

  /** How many strands are due in a week, do not rise, and might. */
  private needless(label: Label, week: number, rising: readonly boolean[]): number {
    return this.ready(label, week).filter(
      (index) => !rising[index]! && this.broken(label, week, rising.with(index, true)) === null,
    ).length;
  }

  /** Whether something was due in a week, and each of it alone was forbidden. */
  private forbidden(label: Label, week: number): boolean {
    const ready = this.ready(label, week);
    const none = label.nodes.map(() => false);
    return ready.length > 0 && ready.every((index) => this.broken(label, week, none.with(index, true)) !== null);
  }

  /** The earliest day a strand can come to its highest dose from a label, whatever the others do. */
  earliest(label: Label, week: number, index: number): number {
    const arrived = label.arrivals[index]!;
    if (arrived >= 0) return arrived;
    const day = this.nodes[index]!.earliest(label.nodes[index]!, week, this.gateWeek(label, week, index));
    return Math.min(day, this.lastDay);
  }

  private gateWeek(label: Label, week: number, index: number, seen: readonly number[] = []): number {
    const { gate } = this.problem.strands[index]!;
    if (gate === null || label.nodes[index]!.state.open) return 0;
    if (this.gateOpen(label, week, index)) return week;
    if (seen.includes(index)) return Number.POSITIVE_INFINITY;
    const first = this.gateWeek(label, week, gate.strand, [...seen, index]);
    const found = this.nodes[gate.strand]!.weekOfDose(label.nodes[gate.strand]!, week, first, gate.dose);
    // Looked at when a week begins: it opens with the next one at the soonest.
    return Math.max(week + 1, found);
  }

  /** Nothing is left that could rise. */
  finished(label: Label, week: number): boolean {
    if (label.stuck >= STUCK_WEEKS) return true;
    return label.nodes.every(
      (node, index) =>
        (node.done && label.arrivals[index]! >= 0) ||
        (!node.state.open && this.gateWeek(label, week, index) > this.problem.mostWeeks),
    );
  }
}

import { atCapacity, isReached } from '../machine/judge';
import {
  DAYS_AFTER_EASE,
  DAYS_BETWEEN_EASES,
  DAYS_BETWEEN_RAISES,
  NEVER,
  knownLevel,
  stateOf,
  type StrandState,
} from '../machine/strandState';
import { doseOf } from '../steps';
import { playWeek, type PlayedWeek } from './playWeek';
import type { SeasonProblem } from './seasonProblem';

/** A strand at the start of a week: what it can become in that week, with and without a turn. */
export interface Node {
  readonly id: number;
  readonly state: StrandState;
  readonly dose: number;
  /** Load and minutes go by it; 0 while it is closed. */
  readonly level: number;
  /** The level it had before an ease or a gap, where that is higher: what is only found again is no growth of the load. */
  readonly known: number;
  /** The dose of it: a gate that was reached stays open. */
  readonly knownDose: number;
  /** Nothing is left to raise. */
  readonly done: boolean;
}
export interface Step {
  readonly node: Node;
  readonly raised: boolean;
  readonly arrival: number | null;
}

/** The state without days that no rule looks back to any more on a later day: what only waited is the same. */
function settled(state: StrandState, day: number): StrandState {
  const { level, open, lost, raisedOn, easedOn, changedOn, lastOn } = state;
  const old = Math.max(DAYS_BETWEEN_RAISES, DAYS_BETWEEN_EASES, DAYS_AFTER_EASE);
  return stateOf(
    {
      level,
      open,
      lost,
      lastOn,
      raisedOn: day - raisedOn >= old ? NEVER : raisedOn,
      easedOn: day - easedOn >= old ? NEVER : easedOn,
      changedOn: changedOn <= lastOn ? NEVER : changedOn,
    },
    state,
  );
}

const keyOf = (state: StrandState): string => Object.values(state).join();

/**
 * All states that one strand can come into during a season, found as they are asked for and never played twice.
 * Strands do not see each other here: what joins them are the rails and the gates.
 */
export class StrandNodes {
  private readonly nodes = new Map<string, Node>();
  private readonly steps = new Map<number, Step>();
  private readonly arrivals = new Map<string, number>();
  readonly root: Node;

  constructor(
    private readonly problem: SeasonProblem,
    private readonly index: number,
  ) {
    this.root = this.nodeOf(this.strand.state);
  }

  get strand(): SeasonProblem['strands'][number] {
    return this.problem.strands[this.index]!;
  }

  /** What a week makes of a node. */
  step(node: Node, week: number, turn: boolean, gateOpen: boolean): Step {
    const key = ((node.id * 1024 + week) * 2 + (turn ? 1 : 0)) * 2 + (gateOpen ? 1 : 0);
    let step = this.steps.get(key);
    if (step === undefined) {
      const { state, raised, arrival } = this.play(node.state, week, turn, gateOpen);
      step = { node: this.nodeOf(settled(state, this.problem.calendar.start + 7 * (week + 1))), raised, arrival };
      this.steps.set(key, step);
    }
    return step;
  }

  play(state: StrandState, week: number, turn: boolean, gateOpen: boolean): PlayedWeek {
    return playWeek(this.strand, this.problem.calendar, this.problem.rules, state, week, turn, gateOpen);
  }

  /**
   * The first day that asks for the target when nothing but the strand itself is in the way; Infinity when none does.
   * @param gateWeek the first week in which it may open
   */
  earliest(node: Node, week: number, gateWeek: number): number {
    const key = `${node.id} ${week} ${node.state.open ? 0 : gateWeek}`;
    let day = this.arrivals.get(key);
    if (day === undefined) {
      day = this.search(node, week, gateWeek, ({ arrival }) => arrival);
      this.arrivals.set(key, day);
    }
    return day;
  }

  /** The first week at whose start it is at a dose, when nothing is in the way; Infinity when there is none. */
  weekOfDose(node: Node, week: number, gateWeek: number, dose: number): number {
    if (node.knownDose >= dose) return week;
    const key = `${node.id} ${week} ${node.state.open ? 0 : gateWeek} ${dose}`;
    let found = this.arrivals.get(key);
    if (found === undefined) {
      found = this.search(node, week, gateWeek, (step, at) => (step.node.knownDose >= dose ? at + 1 : null));
      this.arrivals.set(key, found);
    }
    return found;
  }

  private search(
    node: Node,
    week: number,
    gateWeek: number,
    found: (step: Step, week: number) => number | null,
  ): number {
    let at = node;
    for (let now = week; now < this.problem.mostWeeks; now += 1) {
      const step = this.step(at, now, true, now >= gateWeek);
      const result = found(step, now);
      if (result !== null) return result;
      at = step.node;
    }
    return Number.POSITIVE_INFINITY;
  }

  private nodeOf(state: StrandState): Node {
    const key = keyOf(state);
    let node = this.nodes.get(key);
    if (node === undefined) {
      const { ladder } = this.strand;
      const known = knownLevel(state);
      node = {
        id: this.nodes.size,
        state,
        dose: state.open ? doseOf(state.level, ladder) : 0,
        level: state.open ? state.level : 0,
        known,
        knownDose: state.open ? doseOf(known, ladder) : 0,
        done: state.open && state.lost.length === 0 && (isReached(state, ladder) || atCapacity(state, ladder)),
      };
      this.nodes.set(key, node);
    }
    return node;
  }
}

import { LATELY_DAYS, pointsInWork } from '../corrections/correction';
import { dailyLoads } from '../load/studentLoad';
import { recentAgainstUsual } from '../load/practiceLoad';
import type { PracticeLog } from '../practice/log';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { timeline } from '../routine/timeline';
import { goesByRungs, isLightened, isPostureAxis, type Axis } from '../axis/axis';
import { withDoses } from './dosedRoutine';
import { withSegmentValue } from '../axis/segmentAxis';
import { dayNumber } from '../days/dayNumber';
import { NEVER, rulesOf, type StrandState } from './machine/strandState';
import type { Strand } from '../goals/plan';
import { practiceDaysOf, type PlanContext } from './planContext';
import { firstDayOf, weekOf } from './planDay';
import type { SeasonProblem, SeasonStrand } from './season/seasonProblem';
import { inOrder } from '../person/practicesThatTell';
import { stateOfStrand } from './stateOfStrand';
import { lockedStrands } from './stopReasons';
import { growthShare } from './plateau/wholeSteps';
import { withRows } from './strandSessions';
import { doseOf, gridOf } from './steps';
import { withinMinutes } from './withinMinutes';

/** As far ahead as a plan looks, in weeks. */
export const MOST_WEEKS = 156;
/** Effort that a minute of practice counts with until efforts were noted. */
const USUAL_EFFORT = 5;
/** Efforts of this many days tell how hard a minute is. */
const EFFORT_DAYS = 56;

/** Routines do not change: what a unit takes in one is reckoned once. */
const unitsOf = new WeakMap<Routine, Map<string, number>>();

/** Minutes of a session that one unit of an axis takes, rests and changes of side included. */
function unitMinutes(routine: Routine, segment: ExerciseSegment, axis: Axis): number {
  const known = unitsOf.get(routine) ?? new Map<string, number>();
  unitsOf.set(routine, known);
  const key = `${axis} ${segment.id}`;
  const found = known.get(key) ?? reckonedMinutes(routine, segment, axis);
  known.set(key, found);
  return found;
}

function reckonedMinutes(routine: Routine, segment: ExerciseSegment, axis: Axis): number {
  if (isPostureAxis(axis)) return 0;
  const minutes = (value: number): number => {
    const dosed = { ...withSegmentValue(segment, axis, value), roundId: null };
    return timeline({ ...routine, segments: [dosed], rounds: [] }).totalMs / 60_000;
  };
  return (minutes(20) - minutes(10)) / 10;
}

function usualEffort(logs: readonly PracticeLog[], today: string): number {
  const efforts = logs.flatMap((log) => {
    const ago = dayNumber(today) - dayNumber(log.day);
    return log.effort === null || ago < 0 || ago > EFFORT_DAYS ? [] : [log.effort];
  });
  return efforts.length === 0 ? USUAL_EFFORT : efforts.reduce((sum, effort) => sum + effort, 0) / efforts.length;
}

/** The day until which a checkpoint holds a strand, itself not included; a cue that helps ends it sooner. */
function pointUntil(strand: Strand, { corrections, today }: PlanContext): number {
  const last = pointsInWork(corrections, strand.heldBy, today).map((point) => dayNumber(point.last));
  return Math.max(NEVER, ...last) + LATELY_DAYS;
}

/** The level with which a strand came into the present week of its plan. */
function levelBefore(strand: Strand, state: StrandState, weekStart: string): number {
  if (!state.open || (strand.openedOn !== null && strand.openedOn >= weekStart)) return 0;
  const risen = strand.raisedOn !== null && strand.raisedOn >= weekStart;
  return Math.max(risen ? (strand.raisedFrom ?? strand.level) : strand.level, ...strand.lost);
}

/** No more than this is ever asked of a strand, for what is noted of the person; null where nothing is. */
export function capOf({ mostDoses }: Pick<PlanContext, 'mostDoses'>, { id }: Pick<Strand, 'id'>): number | null {
  const limit = mostDoses.get(id);
  return limit?.from === 'noted' ? limit.dose : null;
}

/** A plan as the machine and the planner see it. Strands keep their order. */
export interface PlanSeason {
  readonly problem: SeasonProblem;
  /** The strands of the plan, with their sides. */
  readonly strands: readonly Strand[];
  /** Strands that a sign to stop has locked, by id: they stand still and weigh nothing. */
  readonly locked: ReadonlySet<string>;
}

/** The season of a plan as it stands today. */
export function seasonOfPlan(context: PlanContext): PlanSeason {
  const { plan, routine, rule, today, exercises } = context;
  const logs = inOrder(context.logs);
  const practiceDays = practiceDaysOf(context);
  const rules = rulesOf(plan, rule, practiceDays);
  const locked = new Set(lockedStrands(plan, logs, rule, exercises).map(({ id }) => id));
  const strands = plan.strands.map((strand) => withRows(strand, logs));
  const week = weekOf(plan, today);
  const weekStart = firstDayOf(plan, week);
  const ownLogs = logs.filter((log) => log.routineId === plan.routineId);
  const minuteLoad = usualEffort(ownLogs, today) * practiceDays.length;
  const seasonStrands = strands.map((strand): SeasonStrand => {
    const limit = context.mostDoses.get(strand.id);
    const state = stateOfStrand(strand, logs, rules, today, capOf(context, strand));
    const still = locked.has(strand.id);
    const segment = routine?.segments.find(
      (entry): entry is ExerciseSegment => entry.type === 'exercise' && entry.id === strand.segmentId,
    );
    const minutesPerUnit =
      routine === undefined || segment === undefined || still ? 0 : unitMinutes(routine, segment, strand.axis);
    const gate = strand.gate === null ? -1 : strands.findIndex(({ id }) => id === strand.gate!.strandId);
    return {
      id: strand.id,
      family: strand.family,
      segment: strand.segmentId,
      state,
      ladder: {
        step: strand.step,
        first: Math.min(strand.start, strand.level),
        target: still ? doseOf(strand.level, gridOf(strand)) : Math.max(strand.level, strand.target),
        most: limit?.dose ?? null,
        byRungs: goesByRungs(strand.axis),
        mostBy: limit?.from ?? 'strength',
        cap: capOf(context, strand),
        growthShare: growthShare(strand),
      },
      targetDay: dayNumber(strand.targetDay),
      // A gate whose strand is gone stands open.
      gate: gate < 0 ? null : { strand: gate, dose: strand.gate!.dose },
      pointUntil: still ? Number.POSITIVE_INFINITY : pointUntil(strand, context),
      easierUntil: strand.easier === null ? NEVER : dayNumber(strand.easier.until),
      levelBefore: levelBefore(strand, state, weekStart),
      loadPerUnit: minutesPerUnit * minuteLoad,
      minutesPerUnit,
      lightens: isLightened(strand.axis),
      overrules: strand.overrules,
    };
  });
  // Asked only where strands stand in each other's way.
  let reckoned: number | null = null;
  const minutes = (): number => (reckoned ??= baseMinutes(context, seasonStrands, locked));
  return {
    strands,
    locked,
    problem: {
      strands: withinMinutes(seasonStrands, minutes, plan.sessionMinutes),
      calendar: {
        start: dayNumber(plan.startsOn),
        today: dayNumber(today),
        practiceDays,
        holidays: plan.holidays.map(({ from, to }) => ({ from: dayNumber(from), to: dayNumber(to) })),
        frozenWeeks: new Set(plan.frozenWeeks),
        lighterEvery: plan.lighterEvery,
        lighterCut: plan.lighterCut,
      },
      rules,
      rails: {
        raisesPerFamily: rule.raisesPerFamily,
        loadGrowth: rule.loadGrowth,
        usualLoad: recentAgainstUsual(dailyLoads(ownLogs, today, 35)).usual ?? 0,
        get baseLoad() {
          return minutes() * minuteLoad;
        },
        get baseMinutes() {
          return minutes();
        },
        sessionMinutes: plan.sessionMinutes,
      },
      mostWeeks: week + MOST_WEEKS,
    },
  };
}

/** Minutes of a session that no strand of the plan asks for; what is closed yet counts as if it were open. */
function baseMinutes(
  { plan, routine, lockedSegments }: PlanContext,
  strands: readonly SeasonStrand[],
  locked: ReadonlySet<string>,
): number {
  if (routine === undefined) return 0;
  const out = new Set([
    ...plan.strands.filter(({ id }) => locked.has(id)).map(({ segmentId }) => segmentId),
    ...lockedSegments,
  ]);
  const dose = (strand: Strand): number => doseOf(strand.level, gridOf(strand));
  const whole = timeline(withDoses(routine, plan, dose, out)).totalMs / 60_000;
  const growing = strands.reduce(
    (sum, { minutesPerUnit, state: { level }, ladder }) => sum + minutesPerUnit * doseOf(level, ladder),
    0,
  );
  return Math.max(0, whole - growing);
}

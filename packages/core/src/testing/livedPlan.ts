import { weekdayOf, dayNumber, dayOfNumber } from '../days/dayNumber';
import { decide, isDue, takesUp } from '../plan/decide';
import { inPosture, isPostureAxis } from '../axis/axis';
import { closedSegments } from '../plan/dosedRoutine';
import type { Decision, Plan, Strand } from '../goals/plan';
import type { PlanContext } from '../plan/planContext';
import { doseOn } from '../plan/planDay';
import { planVerdicts, type Verdict } from '../plan/planVerdicts';
import { unturned } from '../routine/turned';
import type { LogLine, PracticeLog } from '../practice/log';

/** How a practice of a strand went. */
export interface Lived {
  readonly share: number;
  readonly kept: number | null;
  readonly effort: number | null;
}
export interface LivedDay {
  readonly day: string;
  readonly asked: ReadonlyMap<string, number>;
  readonly plan: Plan;
  readonly verdicts: readonly Verdict[];
}

const lineOf = (strand: Strand, dose: number, { share, kept, effort }: Lived): LogLine => {
  const { axis } = strand;
  const still = axis === 'time' || isPostureAxis(axis);
  const asked =
    axis === 'time'
      ? { amount: 1, seconds: dose }
      : still
        ? { amount: 1, seconds: 60 }
        : axis === 'pace' || axis === 'stay'
          ? { amount: 8, seconds: dose * 8 }
          : { amount: dose, seconds: dose * 5 };
  return {
    segmentId: strand.segmentId,
    exerciseId: strand.exerciseId,
    exerciseName: strand.exerciseName,
    kind: still ? 'hold' : 'cycle',
    side: 'both',
    direction: 'none',
    asked,
    done: { amount: asked.amount * share, seconds: asked.seconds * share },
    alignmentKept: kept,
    enough: null,
    firmness: null,
    staySeconds: axis === 'stay' ? dose : null,
    gaveOut: null,
    turned: isPostureAxis(axis) ? { ...unturned, [inPosture[axis].key]: dose / inPosture[axis].units } : null,
    effort,
  };
};

/**
 * A plan as it is really lived: each practice logged with what it asked, each verdict looked at before and after it and
 * accepted when it is due, everything through what is stored, as the application does it.
 * @param outcome null where the practice does not take place
 */
export function livedPlan(
  start: PlanContext,
  days: number,
  outcome: (day: string, strand: Strand, number: number) => Lived | null,
): LivedDay[] {
  let { plan } = start;
  const logs: PracticeLog[] = [];
  const decisions: Decision[] = [];
  const lived: LivedDay[] = [];
  const first = dayNumber(start.today);
  const accept = (day: string, time: string): Verdict[] => {
    const verdicts = planVerdicts({ ...start, plan, logs, today: day });
    for (const verdict of verdicts) {
      if (!takesUp(verdict) || !isDue(verdict, decisions, logs, start.rule, day)) continue;
      const answer = { outcome: 'accepted', level: verdict.level, teacherReason: '' } as const;
      const id = `${verdict.strandId} ${day} ${time}`;
      const made = decide(plan, verdict, answer, id, new Date(`${day}T${time}:00`));
      plan = made.plan;
      decisions.push(made.decision);
    }
    return verdicts;
  };
  for (let number = first; number < first + days; number += 1) {
    const day = dayOfNumber(number);
    if (number === first) accept(day, '05:00');
    if (!start.practiceDays.includes(weekdayOf(number))) continue;
    if (plan.holidays.some(({ from, to }) => day >= from && day <= to)) continue;
    const outcomes = plan.strands.map((strand) => outcome(day, strand, number - first));
    if (outcomes.every((one) => one === null)) continue;
    accept(day, '06:00');
    const closed = closedSegments(plan);
    const practised = plan.strands.filter(({ segmentId }) => !closed.has(segmentId));
    const asked = new Map(practised.map((strand) => [strand.id, doseOn(plan, strand, day, start.practiceDays)]));
    logs.push({
      id: day,
      studentId: plan.studentId,
      routineId: plan.routineId,
      routineName: 'Routine',
      day,
      startedAt: new Date(`${day}T08:00:00`).toISOString(),
      enteredAt: null,
      // So short that the load of a usual week never becomes a rail of its own.
      practisedSeconds: 1,
      source: 'conducted',
      classId: null,
      lines: practised.flatMap((strand) => {
        const one = outcomes[plan.strands.indexOf(strand)] ?? null;
        return one === null ? [] : [lineOf(strand, asked.get(strand.id)!, one)];
      }),
      effort: null,
      pain: 0,
      painWhere: '',
      painPlace: null,
      symptoms: [],
      shook: [],
      hands: [],
      note: '',
    });
    const before = plan;
    const verdicts = accept(day, '20:00');
    lived.push({ day, asked, plan: before, verdicts });
  }
  return lived;
}

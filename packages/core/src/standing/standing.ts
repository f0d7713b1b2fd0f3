import * as z from 'zod';
import { DaySchema } from '../days/daySchema';
import { VerdictKindSchema } from '../goals/plan';
import { homeLogsSaid, logsFromHome } from '../handover/cameIn';
import { recentGrade, recentGrades, recentLoad } from '../load/studentLoad';
import { practisedOn } from '../plan/practisedRoutine';
import { timeline } from '../routine/timeline';
import { strandVerdicts, verdictWeight } from './strandVerdicts';
import type { PersonRecord } from '../person/personRecord';

/** The longest reason that is kept of a verdict, characters. */
const REASON = 1000;
const ID = z.string().min(1).max(200);

/** What lists of many people say of one on a day: short enough to be kept beside the records. */
export const StandingSchema = z.strictObject({
  studentId: ID,
  /** The day for which it holds. */
  day: DaySchema,
  /** Day of the last practice up to that day; null where there is none. */
  lastDay: DaySchema.nullable(),
  /** The load of late against the usual one; null where nothing was practised. */
  load: z.enum(recentGrades).nullable(),
  /** The verdicts that wait for the teacher, the weightiest first. */
  due: z
    .array(
      z.strictObject({
        planId: ID,
        strandId: ID,
        exerciseName: z.string().max(200),
        kind: VerdictKindSchema,
        /** The weightiest reason. */
        reason: z.string().max(REASON),
      }),
    )
    .max(2000),
  /** The routines of the plans as they are practised that day, what is locked left out. */
  routines: z
    .array(
      z.strictObject({
        id: ID,
        name: z.string().max(200),
        /** null where all of it is locked */
        seconds: z.number().min(0).nullable(),
      }),
    )
    .max(500),
  /** What the practices say that came in from home of late; empty where none did. */
  fromHome: z.string().max(REASON),
});
export type Standing = Readonly<z.infer<typeof StandingSchema>>;

/**
 * What lists of many people say of one; the same verdicts and routines as on the pages of that person.
 * @param dayOf the day of a moment where the teacher is
 */
export function standingOf(person: PersonRecord, dayOf: (moment: string) => string): Standing {
  const due = strandVerdicts(person)
    .filter((entry) => entry.due)
    .toSorted((a, b) => verdictWeight[a.verdict.kind] - verdictWeight[b.verdict.kind]);
  const { student, today, lastDay, logs } = person;
  return {
    studentId: student.id,
    day: today,
    lastDay,
    load: lastDay === null ? null : recentGrade(recentLoad(logs, today)),
    due: due.map(({ plan, strand, verdict }) => ({
      planId: plan.id,
      strandId: strand.id,
      exerciseName: strand.exerciseName,
      kind: verdict.kind,
      reason: (verdict.reasons[0] ?? '').slice(0, REASON),
    })),
    routines: person.plans.flatMap((plan) => {
      const routine = practisedOn(plan, person);
      if (routine === null) return [];
      const left = routine.segments.some(({ type }) => type === 'exercise');
      return [{ id: routine.id, name: routine.name, seconds: left ? timeline(routine).totalMs / 1000 : null }];
    }),
    fromHome: homeLogsSaid(logsFromHome(logs, today, dayOf)).slice(0, REASON),
  };
}

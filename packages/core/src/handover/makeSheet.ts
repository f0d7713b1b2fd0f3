import equal from 'fast-deep-equal';
import { LATELY_DAYS, pointsInWork } from '../corrections/correction';
import type { CallWords } from '../practice/calls';
import { hallCalls, type PartsSaid } from '../practice/hallCalls';
import { lineKey, type Recording, type Recordings } from '../practice/recording';
import { timeline } from '../routine/timeline';
import { segmentDrill } from '../routine/turned';
import { spokenExercise } from '../schools/spokenLine';
import { changedWords } from '../care/caredRoutine';
import type { PersonRecord } from '../person/personRecord';
import { lastDayOf, plannedDays } from '../plan/plannedDays';
import { practisedRoutine, type OwnPractice } from '../plan/practisedRoutine';
import type { Routine } from '../routine/routine';
import { dayNumber, dayOfNumber, weekdayOf } from '../days/dayNumber';
import { DrawnBodySchema, type HomeDay, type HomePractice, type Sheet } from './sheet';

export interface SheetRequest {
  readonly id: string;
  readonly person: PersonRecord;
  readonly now: Date;
  /** From today on. */
  readonly weeks: number;
  readonly calls: CallWords;
  readonly parts: PartsSaid;
  /** A routine, or a lesson, that goes along without a plan: practised on each practice day with its own doses. */
  readonly also?: Routine | null;
  /** Lines in the teacher’s own voice: those that its practices say go along. */
  readonly recorded?: Recordings;
}

/** Those of the recorded lines that some practices can say, on whichever day: which checkpoints come up goes on from day to day. */
function saidOf(
  practices: readonly HomePractice[],
  { school, calls, exercises }: Pick<Sheet, 'school' | 'calls' | 'exercises'>,
  recorded: Recordings,
): Recording[] {
  const shelf = new Map(exercises.map((exercise) => [exercise.id, exercise]));
  const called = practices.flatMap(({ routine }) => {
    const line = timeline(routine);
    return hallCalls(routine, line, calls, { cues: false, parts: 'all' }, shelf, school, new Map(), recorded);
  });
  const drills = practices.flatMap(({ routine }) =>
    routine.segments.flatMap((segment) => {
      const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
      return segment.type === 'exercise' && exercise !== undefined ? [segmentDrill(segment, exercise)] : [];
    }),
  );
  const cues = [...new Set(drills)].flatMap((drill) =>
    (['left', 'right', 'both'] as const).flatMap((side) =>
      spokenExercise(drill, school, side).checkpoints.map(({ cue }) => cue),
    ),
  );
  const said = new Set([...called.map(({ text }) => text), ...cues].map(lineKey));
  return [...recorded.values()].filter(({ id }) => said.has(id));
}

/** The days of practice from today to a day, without holidays. */
function practiceDaysTo({ student, plans, today }: PersonRecord, until: string): string[] {
  const holidays = plans.flatMap((plan) => plan.holidays);
  const first = dayNumber(today);
  return Array.from({ length: dayNumber(until) - first + 1 }, (_, at) => first + at)
    .filter((day) => student.practiceDays.includes(weekdayOf(day)))
    .map(dayOfNumber)
    .filter((day) => !holidays.some(({ from, to }) => day >= from && day <= to));
}

/**
 * What a student takes home: the practice days of all plans for some weeks with the doses the machine would set, as they are
 * really practised by this person, and only the exercises that stand in them.
 * @throws RangeError when there is neither a plan nor something to go along, the student has no practice days, a routine is gone, or no day falls in the weeks
 */
export function makeSheet({
  id,
  person,
  now,
  weeks,
  calls,
  parts,
  also = null,
  recorded = new Map(),
}: SheetRequest): Sheet {
  const { student, school, exercises, logs, corrections, plans, today } = person;
  const planless = also !== null && plans.some(({ routineId }) => routineId === also.id) ? null : also;
  if (plans.length === 0 && planless === null) throw new RangeError('plan: there is no plan to take home yet');
  const practices: HomePractice[] = [];
  const placeOf = (practice: HomePractice): number => {
    const found = practices.findIndex((known) => equal(known, practice));
    return found >= 0 ? found : practices.push(practice) - 1;
  };
  const placed = ({ routine, changed }: Pick<OwnPractice, 'routine' | 'changed'>): number =>
    placeOf({ routine, cares: changed.map((one) => ({ segmentId: one.segment.id, words: changedWords(one) })) });
  const ofPlans = plans.flatMap((plan) =>
    plannedDays(plan, person, weeks).map(({ day, lighter, goals, ...practised }): HomeDay => ({
      day,
      practice: placed(practised),
      lighter,
      goals: goals.filter(({ asked }) => asked).map(({ name, words }) => ({ name, words })),
    })),
  );
  const given = planless === null ? null : practisedRoutine(planless, person);
  const withoutPlan =
    given === null
      ? []
      : practiceDaysTo(person, lastDayOf(today, weeks)).map((day): HomeDay => ({
          day,
          practice: placed(given),
          lighter: false,
          goals: [],
        }));
  const days = [...ofPlans, ...withoutPlan].toSorted((a, b) => a.day.localeCompare(b.day));
  if (days.length === 0) throw new RangeError('weeks: no practice day falls in these weeks');
  const used = new Set(
    practices.flatMap(({ routine }) =>
      routine.segments.flatMap((segment) => (segment.type === 'exercise' ? [segment.exerciseId] : [])),
    ),
  );
  // In the order in which they are practised.
  const own = [...used].flatMap((id) => exercises.find((exercise) => exercise.id === id) ?? []);
  const points = own.flatMap(({ checkpoints }) => checkpoints.map((point) => point.id));
  const lately = logs.filter((log) => dayNumber(today) - dayNumber(log.day) <= LATELY_DAYS * 2);
  const sheet: Omit<Sheet, 'recordings'> = {
    format: 'pomek sheet',
    version: 1,
    id,
    madeAt: now.toISOString(),
    madeOn: today,
    until: lastDayOf(today, weeks),
    student: {
      id: student.id,
      name: student.name,
      body: DrawnBodySchema.parse(student),
    },
    cautions: student.cautions,
    school,
    calls,
    parts,
    inWork: pointsInWork(corrections, [...new Set(points)], today).map(({ checkpointId }) => checkpointId),
    exercises: own,
    practices,
    days,
    lastDay: person.lastDay,
    clearedLogs: lately.filter(({ pain, symptoms }) => (pain ?? 0) > 0 || symptoms.length > 0).map((log) => log.id),
  };
  return { ...sheet, recordings: recorded.size === 0 ? [] : saidOf(practices, sheet, recorded) };
}

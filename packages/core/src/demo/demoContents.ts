import { addDays, formatISO, getISODay, parseISO, subDays } from 'date-fns';
import { emptyContents, together, type BundleContents } from '../formats/bundle';
import { allCheckpoints } from '../alignment/checkpoints';
import { TEST_STANCE } from '../endurance/capacity';
import type { Still } from '../film/still';
import { newCorrection, type Correction } from '../corrections/correction';
import { builtInExercises } from '../library/builtInExercises';
import { decide, isDue, takesUp } from '../plan/decide';
import { dosedRoutine } from '../plan/dosedRoutine';
import { newStrand } from '../plan/newStrand';
import type { Decision, Plan } from '../goals/plan';
import { mayChange, planVerdicts } from '../plan/planVerdicts';
import { contextOf } from '../plan/contextOf';
import { personRecord } from '../person/personRecord';
import type { LogLine, PracticeLog } from '../practice/log';
import { logLines } from '../practice/logLines';
import { conduct } from '../practice/conduct';
import type { Routine } from '../routine/routine';
import { timeline } from '../routine/timeline';
import { builtInSchools } from '../schools/builtInSchools';
import type { Measure } from '../students/measure';
import { newStudent } from '../students/newStudent';
import type { Student } from '../students/student';
import { demoChain } from './demoChain';
import { demoClasses, demoMeetings } from './demoClasses';
import { demoRoutines, lanternWalk } from './demoRoutines';
import { demoStills } from './demoStills';
import { demoParts, type Part } from './demoStudents';
import { seededRandom, type Random } from '../random/seededRandom';

const demoShelf = [...builtInExercises, lanternWalk];
const shelf = new Map(demoShelf.map((exercise) => [exercise.id, exercise]));
const iso = (date: Date): string => formatISO(date, { representation: 'date' });
const clamp = (value: number): number => Math.max(0, Math.min(10, Math.round(value)));

/** How many of the latest days are left for the user to decide upon. */
const OPEN_DAYS = 5;

function studentOf(part: Part, id: string, today: Date): Student {
  return {
    ...newStudent(id, part.name, part.schoolId),
    statureCm: part.size?.[0] ?? null,
    massKg: part.size?.[1] ?? null,
    conditions: [...(part.conditions ?? [])],
    birthYear: part.age === null ? null : today.getFullYear() - part.age,
    practiceDays: [...part.practiceDays],
    cautions: [...part.cautions],
    note: part.note,
  };
}

/** The baseline at the start of the plan, and a second one in its tenth week. */
function measuresFor(part: Part, student: Student, today: Date): Measure[] {
  if (part.baseline === undefined) return [];
  const [seconds, stoppedBy] = part.baseline;
  const at = (daysAgo: number, name: string) => ({
    id: `${student.id}-${name}-${daysAgo}`,
    studentId: student.id,
    day: iso(subDays(today, daysAgo)),
  });
  const first = part.since;
  const age = part.age ?? 45;
  const balance = age > 60 ? 14 : 38;
  return [
    { ...at(first, 'hold'), kind: 'hold', stance: TEST_STANCE, seconds, stoppedBy },
    { ...at(14, 'hold'), kind: 'hold', stance: TEST_STANCE, seconds: Math.round(seconds * 1.15), stoppedBy },
    { ...at(first, 'left'), kind: 'one-leg stand', side: 'left', seconds: Math.round(balance * 0.9) },
    { ...at(first, 'right'), kind: 'one-leg stand', side: 'right', seconds: balance },
    { ...at(first, 'breath'), kind: 'resting breath', perMinute: 14 },
    { ...at(first, 'wall'), kind: 'knee to wall', side: 'left', cm: age > 60 ? 8 : 10.5 },
    ...(age > 60 ? [{ ...at(first, 'chair'), kind: 'chair stand' as const, count: 12 }] : []),
  ];
}

/** Of whom the demo's teacher took pictures. */
const FILMED = 'Bertil Anquist';

/** What the demo's teacher noted on some of them. */
const noted: Readonly<
  Record<string, readonly (readonly [checkpoint: string, daysAgo: number, helped: boolean | null])[]>
> = {
  'Bertil Anquist': [
    ['knees-track', 30, false],
    ['knees-track', 16, true],
    ['knees-still', 9, null],
  ],
  'Caspian Roe': [
    ['shoulders-hang', 24, false],
    ['shoulders-hang', 10, true],
    ['elbows-low', 10, null],
    ['crown-up', 3, null],
  ],
  'Ilse Marrowby': [['hip-crease-folds', 12, true]],
};

function correctionsOf(part: Part, student: Student, stills: readonly Still[], today: Date): Correction[] {
  return (noted[part.name] ?? []).map(([id, daysAgo, helped], index) => {
    const point = allCheckpoints().find((entry) => entry.id === id)!;
    const day = iso(subDays(today, daysAgo));
    const still = stills.find((entry) => entry.day === day)?.id ?? null;
    return { ...newCorrection(`${student.id}-correction-${index + 1}`, student.id, point, day, still), helped };
  });
}

function planOf(part: Part, student: Student, today: Date): Plan {
  const strands = part.strands.map(([exerciseId, axis, target]) => {
    const segment = part.routine.segments.find((entry) => entry.type === 'exercise' && entry.exerciseId === exerciseId);
    if (segment?.type !== 'exercise') throw new Error(`${part.routine.name} has no ${exerciseId}`);
    const id = `${student.id}-${exerciseId}-${axis}`;
    const school = builtInSchools.find((entry) => entry.id === student.schoolId)!;
    return newStrand(id, segment, shelf.get(exerciseId)!, axis, target, iso(addDays(today, 56)), school);
  });
  return {
    id: `${student.id}-plan`,
    studentId: student.id,
    routineId: part.routine.id,
    startsOn: iso(subDays(today, part.since)),
    growthPerWeek: 0.1,
    lighterEvery: 4,
    lighterCut: 0.4,
    strands,
    holidays: [],
    sessionMinutes: null,
    postures: [],
    frozenWeeks: [],
    calendar: null,
  };
}

/** The lines of a practice in which everything was done as asked. */
function linesAsked(routine: Routine): LogLine[] {
  const line = timeline(routine);
  const state = conduct(line, [{ at: 0, action: 'start' }], line.totalMs);
  return logLines(routine, line, state, shelf);
}

function practice(
  part: Part,
  student: Student,
  routine: Routine,
  day: Date,
  number: number,
  random: Random,
): PracticeLog {
  const { habit } = part;
  const lines = linesAsked(routine).map((asked): LogLine => {
    const outcome = habit.line?.(asked.exerciseId, asked.side, number, random) ?? { share: 1, kept: null };
    const seconds = Math.round(asked.asked.seconds * outcome.share);
    const amount =
      asked.kind === 'hold' ? asked.asked.amount * outcome.share : Math.floor(asked.asked.amount * outcome.share);
    return { ...asked, done: { amount, seconds }, alignmentKept: outcome.kept };
  });
  const pain = habit.pain?.(number) ?? null;
  const minute = String(Math.floor(random() * 60)).padStart(2, '0');
  const workSeconds = lines.reduce((sum, entry) => sum + entry.done.seconds, 0);
  return {
    id: `${student.id}-${iso(day)}`,
    studentId: student.id,
    routineId: routine.id,
    routineName: routine.name,
    day: iso(day),
    startedAt: parseISO(`${iso(day)}T07:${minute}:00`).toISOString(),
    enteredAt: null,
    practisedSeconds: Math.round(workSeconds * 1.15),
    source: 'conducted',
    classId: null,
    lines,
    effort: clamp(habit.effort + Math.floor(random() * 3) - 1),
    pain: pain?.pain ?? 0,
    painWhere: pain?.where ?? '',
    painPlace: pain?.place ?? null,
    symptoms: [],
    shook: [],
    hands: [...(habit.hands?.(number) ?? [])],
    note: '',
  };
}

interface Season {
  readonly plan: Plan;
  readonly logs: PracticeLog[];
  readonly decisions: Decision[];
}

/** Plays a plan day by day up to yesterday; what fell due was accepted, but for the last few days. */
function season(
  part: Part,
  student: Student,
  measures: readonly Measure[],
  start: Plan,
  today: Date,
  random: Random,
): Season {
  let plan = start;
  const logs: PracticeLog[] = [];
  const decisions: Decision[] = [];
  const school = builtInSchools.find(({ id }) => id === student.schoolId)!;
  const accept = (day: string, time: string): void => {
    const { practiceDays } = student;
    const { routine } = part;
    const rest = { practiceDays, routine, logs, corrections: [], exercises: shelf, rule: school.raise, today: day };
    // What the body holds only ever keeps a strand from rising: where nothing may change without it, nothing does with it.
    if (!mayChange({ ...rest, plan, mostDoses: new Map(), lockedSegments: new Set() })) return;
    const stored = { student, school, plans: [plan], decisions, logs, measures, routines: [routine] };
    const person = personRecord({ ...stored, corrections: [], exercises: demoShelf }, day);
    const verdicts = planVerdicts(contextOf(plan, person));
    for (const found of verdicts) {
      if (!takesUp(found) || !isDue(found, decisions, logs, school.raise, day)) continue;
      const answer = { outcome: 'accepted', level: found.level, teacherReason: '' } as const;
      const id = `${found.strandId}-${day}-${time.slice(0, 2)}`;
      const next = decide(plan, found, answer, id, parseISO(`${day}T${time}`));
      plan = next.plan;
      decisions.push(next.decision);
    }
  };
  for (let number = 0; number < part.since; number += 1) {
    const date = addDays(parseISO(start.startsOn), number);
    const day = iso(date);
    if (!part.practiceDays.includes(getISODay(date)) || part.habit.away?.(number) === true) continue;
    if (random() > part.habit.attendance) continue;
    const closed = number >= part.since - OPEN_DAYS;
    if (!closed) accept(day, '06:30:00');
    logs.push(
      practice(part, student, dosedRoutine(part.routine, plan, day, student.practiceDays), date, number, random),
    );
    if (!closed) accept(day, '20:00:00');
  }
  return { plan, logs, decisions };
}

const personId = (index: number): string => `demo-student-${index + 1}`;

/** The people of the demo, by id, in the order in which they are made. */
export const demoPeople: readonly string[] = demoParts.map((_part, index) => personId(index));

/**
 * What belongs to nobody in particular: schools, exercises, routines, the chain, the classes and their lessons.
 * @param today YYYY-MM-DD
 */
export const demoHall = (today: string): BundleContents => ({
  ...emptyContents(),
  schools: [...builtInSchools],
  exercises: [lanternWalk],
  routines: [...demoRoutines],
  chains: [demoChain],
  classes: [...demoClasses],
  meetings: demoMeetings(today),
});

/**
 * One person of the demo with all that is theirs. The same seed and day give the same.
 * @param today YYYY-MM-DD
 * @param id one of `demoPeople`; any other throws
 */
export function demoPerson(today: string, id: string, seed = 5): BundleContents {
  const index = demoPeople.indexOf(id);
  const part = demoParts[index];
  if (part === undefined) throw new Error(`id: there is no ${id} in the demo`);
  const now = parseISO(today);
  const random = seededRandom(seed * demoParts.length + index);
  const student = studentOf(part, id, now);
  const measures = measuresFor(part, student, now);
  const { plan, logs, decisions } = season(part, student, measures, planOf(part, student, now), now, random);
  const { stills, pictures } = part.name === FILMED ? demoStills(student, now) : { stills: [], pictures: [] };
  return {
    ...emptyContents(),
    students: [student],
    measures,
    stills: [...stills],
    pictures: [...pictures],
    corrections: correctionsOf(part, student, stills, now),
    plans: [plan],
    logs,
    decisions,
  };
}

/**
 * The demo: an invented hall, ten students, four routines, three schools and twelve weeks of logs, with
 * dates that end yesterday. The same seed and day give the same data.
 * @param today YYYY-MM-DD
 */
export const demoContents = (today: string, seed = 5): BundleContents =>
  together([demoHall(today), ...demoPeople.map((id) => demoPerson(today, id, seed))]);

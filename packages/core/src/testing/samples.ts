import fc from 'fast-check';
import { builtInExercises } from '../library/builtInExercises';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import type { Dose } from '../library/dose';
import type { Plan, Strand } from '../goals/plan';
import type { PlanContext } from '../plan/planContext';
import type { DoseLimit } from '../limits/axisLimits';
import { planVerdicts, type Verdict } from '../plan/planVerdicts';
import { personRecord, type PersonRecord, type StoredPerson } from '../person/personRecord';
import { defaultRaiseRule, softSchool } from '../schools/builtInSchools';
import { newStudent } from '../students/newStudent';
import type { LogLine, PracticeLog } from '../practice/log';
import type { ExerciseSegment, Routine, Segment } from '../routine/routine';

export const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));

export const segment = (id: string, dose: Dose, change: Partial<ExerciseSegment> = {}): ExerciseSegment => ({
  type: 'exercise',
  id,
  exerciseId: 'tree-holding',
  dose,
  sideOrder: 'whole',
  startsOnCue: false,
  changeSeconds: null,
  turned: null,
  firmness: null,
  roundId: null,
  ...change,
});

export const routine = (segments: Segment[], change: Partial<Routine> = {}): Routine => ({
  id: 'r',
  name: 'Routine',
  note: '',
  schoolId: 'school-soft',
  settleSeconds: 0,
  changeSeconds: 0,
  segments,
  rounds: [],
  room: null,
  keptOnPurpose: [],
  ...change,
});

export const strand = (change: Partial<Strand> = {}): Strand => ({
  id: 's',
  segmentId: 'a',
  exerciseId: 'tree-holding',
  exerciseName: 'Holding the tree',
  family: 'standing',
  axis: 'time',
  step: 5,
  start: 60,
  level: 60,
  target: 180,
  targetDay: '2026-12-31',
  raisedOn: null,
  raisedFrom: null,
  easedOn: null,
  lost: [],
  openedOn: null,
  rows: [],
  changedAt: null,
  overrules: [],
  gate: null,
  heldBy: [],
  insteadCounts: false,
  halfSteps: null,
  easier: null,
  plateauAnsweredAt: null,
  clearedAt: null,
  ...change,
});

export const plan = (strands: Strand[], change: Partial<Plan> = {}): Plan => ({
  id: 'p',
  studentId: 'u',
  routineId: 'r',
  startsOn: '2026-01-05',
  growthPerWeek: 0.1,
  lighterEvery: 4,
  lighterCut: 0.4,
  strands,
  holidays: [],
  sessionMinutes: null,
  postures: [],
  frozenWeeks: [],
  calendar: null,
  ...change,
});

/** What verdicts, weeks and chances of a plan rest on: an easy rule, three days of practice a week, nothing practised yet. */
export const planContext = (value: Plan, change: Partial<PlanContext> = {}): PlanContext => ({
  plan: value,
  routine: routine(
    [...new Set(value.strands.map((one) => one.segmentId))].map((id) => segment(id, hold(60, together(1)))),
  ),
  practiceDays: [1, 3, 5],
  logs: [],
  corrections: [],
  exercises: shelf,
  rule: defaultRaiseRule,
  today: value.startsOn,
  mostDoses: new Map(),
  lockedSegments: new Set(),
  ...change,
});

/** A limit of a strand's dose. */
export const limit = (dose: number, from: DoseLimit['from'] = 'strength'): DoseLimit => ({
  dose,
  from,
  reason: 'what the school’s budget allows',
  mend: 'A new test hold may allow more.',
});

/** The verdict on one strand of a plan. */
export const verdictOn = (context: PlanContext, { id }: Pick<Strand, 'id'>): Verdict =>
  planVerdicts(context).find(({ strandId }) => strandId === id)!;

export const logLine = (share = 1, change: Partial<LogLine> = {}): LogLine => ({
  segmentId: 'a',
  exerciseId: 'tree-holding',
  exerciseName: 'Holding the tree',
  kind: 'hold',
  side: 'both',
  direction: 'none',
  asked: { amount: 1, seconds: 60 },
  done: { amount: share, seconds: 60 * share },
  alignmentKept: null,
  enough: null,
  turned: null,
  staySeconds: null,
  firmness: null,
  gaveOut: null,
  effort: null,
  ...change,
});

export const log = (day: string, change: Partial<PracticeLog> = {}): PracticeLog => ({
  id: `log-${day}`,
  studentId: 'u',
  routineId: 'r',
  routineName: 'Routine',
  day,
  startedAt: `${day}T08:00:00.000Z`,
  enteredAt: null,
  practisedSeconds: 600,
  source: 'conducted',
  classId: null,
  lines: [logLine()],
  effort: 5,
  pain: 0,
  painWhere: '',
  painPlace: null,
  symptoms: [],
  shook: [],
  hands: [],
  note: '',
  ...change,
});

/** What is known of a student of the soft hall of whom only the name is. */
export const person = (change: Partial<StoredPerson> = {}, today = '2026-01-05'): PersonRecord =>
  personRecord(
    {
      student: newStudent('u', 'Ama', softSchool.id),
      school: softSchool,
      plans: [],
      decisions: [],
      logs: [],
      corrections: [],
      measures: [],
      routines: [],
      exercises: builtInExercises,
      ...change,
    },
    today,
  );

const amount = fc.integer({ min: 0, max: 12 });
const amounts = fc.oneof(
  amount.map(together),
  fc.tuple(amount, amount).map(([left, right]) => {
    const [one, two] = eachSide(left);
    return [one!, { ...two!, amount: right }];
  }),
  amount.map(eachSideBothWays),
);

export const anyDose: fc.Arbitrary<Dose> = fc.oneof(
  fc
    .tuple(fc.integer({ min: 1, max: 300 }), amounts, fc.integer({ min: 0, max: 60 }))
    .map(([s, a, r]) => hold(s, a, r)),
  fc.tuple(fc.integer({ min: 1, max: 20 }), amounts).map(([s, a]) => cycle(s, a)),
  fc
    .tuple(fc.integer({ min: 1, max: 18 }), fc.integer({ min: 1, max: 8 }))
    .map(([n, s]) => breathe(n, pattern(s, 0, s, 0), 1.02)),
);

export const anySegment = (id: string): fc.Arbitrary<Segment> =>
  fc.oneof(
    {
      weight: 5,
      arbitrary: anyDose.chain((dose) =>
        fc.constantFrom('whole' as const, 'alternating' as const).map((sideOrder) => segment(id, dose, { sideOrder })),
      ),
    },
    {
      weight: 1,
      arbitrary: fc
        .integer({ min: 1, max: 90 })
        .map((seconds): Segment => ({ type: 'rest', id, seconds, label: '', roundId: null })),
    },
  );

export const anyRoutine: fc.Arbitrary<Routine> = fc
  .tuple(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 20 }))
  .chain(([length, settleSeconds, changeSeconds]) =>
    fc
      .tuple(...Array.from({ length }, (_, index) => anySegment(`seg-${index}`)))
      .map((segments) => routine(segments, { settleSeconds, changeSeconds })),
  );

import * as z from 'zod';
import {
  BundleContentsSchema,
  CallWordsSchema,
  CorrectionSchema,
  DaySchema,
  ExerciseSchema,
  FamilySchema,
  FilmSchema,
  PlanSchema,
  PostureSchema,
  PracticeLogSchema,
  RaiseRuleSchema,
  RecordingSchema,
  RoutineSchema,
  SHORTEST_PASSPHRASE,
  SchoolSchema,
  StillSchema,
  StudentSchema,
  bundleKinds,
  csvFields,
  dayOrders,
  encodings,
  layWishes,
  MomentSchema,
  MOST_LAID,
  limbs,
  loadedJoints,
  DoseLimitSchema,
  movements,
  partsSaid,
  rails,
  BodyFormSchema,
} from '@pomek/core';
import { CopiedSchema, CopyMarkSchema, FolderSchema } from '../data/copy-folder-schema';
import { WorkedOutSchema } from '../data/kept-standings';
import { FilmReadingSchema } from './film-reading-schema';

const bodyMeasures = z.object({
  stature: z.number(),
  mass: z.number(),
  shank: z.number().optional(),
  thigh: z.number().optional(),
  foot: z.number().optional(),
});
const capacity = z.object({ kneeNm: z.number().positive(), shoulderNm: z.number().positive() });

/** What the worker can be asked for. */
export const RequestSchema = z.discriminatedUnion('task', [
  z.object({
    task: z.literal('read-bundle'),
    file: z.instanceof(Blob),
    /** For a locked copy; null: none was given. */
    passphrase: z.string().max(1000).nullable(),
  }),
  z.object({ task: z.literal('lock'), text: z.string(), passphrase: z.string().min(SHORTEST_PASSPHRASE).max(1000) }),
  z.object({
    task: z.literal('copy'),
    /** The name of the database in the browser. */
    database: z.string().min(1).max(80),
    folder: FolderSchema,
    /** Of the browser; see `copyFileName`. */
    mark: CopyMarkSchema,
    now: MomentSchema,
    today: DaySchema,
  }),
  z.object({ task: z.literal('demo'), today: DaySchema }),
  z.object({ task: z.literal('demo-person'), today: DaySchema, id: z.string() }),
  z.object({
    task: z.literal('plan'),
    plan: PlanSchema,
    routine: RoutineSchema,
    practiceDays: z.array(z.number().int().min(1).max(7)),
    today: DaySchema,
    logs: z.array(PracticeLogSchema),
    corrections: z.array(CorrectionSchema),
    drills: z.array(
      z.object({ id: z.string(), family: FamilySchema, posture: PostureSchema, movements: z.array(z.enum(movements)) }),
    ),
    rule: RaiseRuleSchema,
    seed: z.number().int(),
    /** Seasons that are played for the chance of a strand; 0: none. */
    seasons: z.number().int().min(0).max(10_000),
    mostDoses: z.array(z.tuple([z.string(), DoseLimitSchema])),
    lockedSegments: z.array(z.string()),
  }),
  z.object({
    task: z.literal('effort'),
    routine: RoutineSchema,
    drills: z.array(ExerciseSchema),
    school: SchoolSchema,
    body: bodyMeasures,
    capacity,
  }),
  z.object({
    task: z.literal('fit'),
    routine: RoutineSchema,
    target: z.number().min(1).max(86_400),
    held: z.array(z.string()),
    countMultiple: z.number().int().min(1),
    longestHold: z.array(z.tuple([z.string(), z.number()])),
    names: z.array(z.tuple([z.string(), z.string()])),
  }),
  z.object({
    task: z.literal('cue-tracks'),
    tracks: z.array(z.object({ name: z.string().min(1).max(160), routine: RoutineSchema })).min(1),
    drills: z.array(ExerciseSchema),
    school: SchoolSchema,
    inWork: z.array(z.string()),
    /** What is said, and what is recorded of it. */
    narration: z.object({
      words: CallWordsSchema,
      spoken: z.object({ cues: z.boolean(), parts: z.enum(partsSaid) }),
      recordings: z.array(RecordingSchema),
    }),
  }),
  z.object({
    task: z.literal('film'),
    film: FilmSchema,
    still: StillSchema,
    student: StudentSchema,
    /** What is being done; null: a plain stand. */
    exercise: ExerciseSchema.nullable(),
    school: SchoolSchema,
  }),
  z.object({ task: z.literal('body-form'), body: bodyMeasures }),
  z.object({
    task: z.literal('standings'),
    /** The name of the database in the browser. */
    database: z.string().min(1).max(80),
    studentIds: z.array(z.string()),
    today: DaySchema,
    build: z.string().max(300),
  }),
  z.object({
    task: z.literal('lay-out'),
    /** The name of the database in the browser. */
    database: z.string().min(1).max(80),
    /** For whom; none: nobody in particular. */
    studentIds: z.array(z.string()).max(80),
    today: DaySchema,
    seconds: z.number().int().min(60).max(MOST_LAID),
    wishes: z.array(z.enum(layWishes)),
    alike: z.boolean(),
    /** The school of the routine. */
    schoolId: z.string(),
    name: z.string().min(1).max(80),
    /** The ids of what is made begin with it. */
    newId: z.string().min(1).max(60),
    /** One exercise for another in what was laid out; null: three anew. */
    exchange: z.object({ routine: RoutineSchema, segmentId: z.string(), tried: z.array(z.string()) }).nullable(),
    /** Nothing is laid out yet: what each exercise asks of these people is worked out, so that the question is answered sooner. */
    prepare: z.boolean(),
  }),
  z.object({ task: z.literal('csv-columns'), file: z.instanceof(Blob) }),
  z.object({
    task: z.literal('csv-logs'),
    file: z.instanceof(Blob),
    mapping: z.partialRecord(z.enum(csvFields), z.number().int().min(0)),
    exercises: z.array(ExerciseSchema),
    studentId: z.string(),
    /** How days with slashes are written, where the table does not tell; null: not chosen yet. */
    dayOrder: z.enum(dayOrders).nullable(),
    today: DaySchema,
    /** In which segment of the plan an exercise stands. */
    segments: z.array(z.tuple([z.string(), z.string()])),
  }),
]);
export type Request = z.infer<typeof RequestSchema>;
export type Task = Request['task'];

const problems = z.array(z.object({ place: z.string(), message: z.string() }));
const rail = z.enum(rails).nullable();
const limb = z.enum(limbs);
const joint = z.enum(loadedJoints);

/** What each task comes back with. */
export const resultSchemas = {
  /** Null where there is nothing to copy. */
  copy: CopiedSchema.nullable(),
  demo: z.object({ hall: BundleContentsSchema, people: z.array(z.string()) }),
  'demo-person': BundleContentsSchema,
  'read-bundle': z.union([
    z.object({
      ok: z.literal(true),
      contents: BundleContentsSchema,
      writtenAt: z.string(),
      beyond: z.array(
        z.object({ kind: z.enum(bundleKinds), record: z.looseObject({ id: z.string() }), because: z.string() }),
      ),
    }),
    z.object({ ok: z.literal(false), problems }),
    /** It is a locked copy, and no passphrase was given. */
    z.object({ ok: z.literal('asks') }),
  ]),
  lock: z.object({ text: z.string() }),
  plan: z.object({
    forecasts: z.array(
      z.object({
        strandId: z.string(),
        weeks: z.array(
          z.object({
            week: z.number().int(),
            day: DaySchema,
            dose: z.number(),
            kind: z.enum([
              'now',
              'raise',
              'carry',
              'found',
              'eased',
              'held',
              'lighter',
              'holiday',
              'frozen',
              'overruled',
              'reached',
              'closed',
              'locked',
            ]),
            rail,
            waitsFor: z.string().nullable(),
            level: z.number(),
          }),
        ),
        days: z.array(z.object({ day: DaySchema, dose: z.number() })),
        earliestDay: DaySchema.nullable(),
        aloneDay: DaySchema.nullable(),
        inTime: z.boolean(),
        doseOnTargetDay: z.number(),
        binding: rail,
      }),
    ),
    /** Whether it is known that no season is better; false: the best found. */
    proven: z.boolean(),
    chances: z.array(
      z.object({
        strandId: z.string(),
        byTargetDay: z.number(),
        attendance: z.number(),
        passRate: z.number(),
        weeks: z.array(
          z.object({ week: z.number().int(), day: DaySchema, low: z.number(), middle: z.number(), high: z.number() }),
        ),
      }),
    ),
  }),
  fit: z.union([
    z.object({
      ok: z.literal(true),
      routine: RoutineSchema,
      seconds: z.number(),
      cost: z.number(),
      why: z.string(),
    }),
    z.object({ ok: z.literal(false), reason: z.string(), overBy: z.number() }),
  ]),
  effort: z.object({
    segments: z.array(
      z.object({
        segmentId: z.string(),
        effort: z.number(),
        limitedBy: z.enum(['legs', 'arms', 'back']),
        joint,
        enduranceSeconds: z.number(),
        unlimited: z.boolean(),
        askedSeconds: z.number(),
        kneePastToes: z.number().nullable(),
        reserve: z.record(limb, z.number()),
      }),
    ),
    course: z.array(z.object({ atSeconds: z.number(), reserve: z.record(limb, z.number()) })),
    failure: z.object({ limb, joint, segmentId: z.string(), atSeconds: z.number() }).nullable(),
  }),
  'cue-tracks': z.object({ file: z.instanceof(Blob) }),
  film: FilmReadingSchema,
  'body-form': BodyFormSchema,
  standings: z.object({ count: z.number().int() }),
  'lay-out': z.object({
    proposals: z.array(
      z.object({
        routine: RoutineSchema,
        why: z.string(),
        reasons: z.array(z.tuple([z.string(), z.string()])),
        complete: z.boolean(),
      }),
    ),
    /** Those of a class for whom they are not, since nothing fits with them. */
    without: z.array(z.object({ id: z.string(), name: z.string() })),
    /** Exercises on the shelf, and how many of them are locked for one of the people. */
    shelf: z.number().int().min(0),
    locked: z.number().int().min(0),
  }),
  'csv-columns': z.object({
    columns: z.array(z.string()),
    rows: z.number().int(),
    encoding: z.enum(encodings),
  }),
  'csv-logs': z.object({
    logs: z.number().int(),
    /** The first of what cannot be read, and how much there is. */
    problems: z.array(z.object({ line: z.number().int(), message: z.string() })),
    problemCount: z.number().int(),
    /** Whether it has to be chosen how days with slashes are written. */
    asksDayOrder: z.boolean(),
  }),
} as const satisfies Record<Task, z.ZodType>;

/** What tasks send piece by piece before their result, so that no piece holds the page up. */
export const partSchemas = { 'csv-logs': z.array(PracticeLogSchema), standings: z.array(WorkedOutSchema) } as const;
export type PartOf<T extends Task> = T extends keyof typeof partSchemas ? z.infer<(typeof partSchemas)[T]> : never;

export type ResultOf<T extends Task> = z.infer<(typeof resultSchemas)[T]>;

/** What comes back: how far it is, pieces, one result, or the reason why there is none. */
export const ReplySchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('part'), part: z.unknown() }),
  z.object({ kind: z.literal('progress'), share: z.number().min(0).max(1) }),
  z.object({ kind: z.literal('result'), result: z.unknown() }),
  z.object({ kind: z.literal('error'), message: z.string() }),
]);
export type Reply = z.infer<typeof ReplySchema>;

import {
  ChainSchema,
  CorrectionSchema,
  DecisionSchema,
  ExerciseSchema,
  FilmSchema,
  JournalSchema,
  MeasureSchema,
  MeetingSchema,
  PictureSchema,
  PlanSchema,
  PracticeLogSchema,
  RecordingSchema,
  RoutineSchema,
  SchoolSchema,
  StillSchema,
  StudentSchema,
  TaughtClassSchema,
  bodyProblem,
  type Student,
} from '@pomek/core';
import type { Records, TableName } from './stored-tables';

interface Issue {
  readonly path: PropertyKey[];
  readonly message: string;
}

/** The part of a schema that reading and writing need. */
export interface Reader<T> {
  parse(value: unknown): T;
  safeParse(
    value: unknown,
  ): { success: true; data: T; error?: undefined } | { success: false; error: { issues: Issue[] } };
}

/** What each table holds, as it is read. */
export const readers: { readonly [N in TableName]: Reader<Records[N]> } = {
  schools: SchoolSchema,
  exercises: ExerciseSchema,
  routines: RoutineSchema,
  students: StudentSchema,
  plans: PlanSchema,
  logs: PracticeLogSchema,
  decisions: DecisionSchema,
  journals: JournalSchema,
  measures: MeasureSchema,
  chains: ChainSchema,
  corrections: CorrectionSchema,
  classes: TaughtClassSchema,
  meetings: MeetingSchema,
  stills: StillSchema,
  films: FilmSchema,
  pictures: PictureSchema,
  recordings: RecordingSchema,
};

/** What may be written: as it is read, and a body that can be. */
export const writers: { readonly [N in TableName]: Reader<Records[N]> } = {
  ...readers,
  students: StudentSchema.superRefine((student: Student, context) => {
    const problem = bodyProblem(student);
    if (problem !== null) context.addIssue({ code: 'custom', path: [], message: problem });
  }),
};

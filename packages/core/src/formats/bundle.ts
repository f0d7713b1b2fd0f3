import * as z from 'zod';
import { MomentSchema } from '../days/daySchema';
import { ChainSchema } from '../chain/chain';
import { MeetingSchema } from '../classes/meeting';
import { TaughtClassSchema } from '../classes/taughtClass';
import { CorrectionSchema } from '../corrections/correction';
import { PictureSchema } from '../film/picture';
import { FilmSchema } from '../film/film';
import { StillSchema } from '../film/still';
import { ExerciseSchema } from '../library/exercise';
import { DecisionSchema, PlanSchema } from '../goals/plan';
import { PracticeLogSchema } from '../practice/log';
import { RecordingSchema } from '../practice/recording';
import { RoutineSchema } from '../routine/routine';
import { SchoolSchema } from '../schools/school';
import { MeasureSchema } from '../students/measure';
import { StudentSchema } from '../students/student';

/**
 * The version this program writes, and the newest it reads. 2: exercises carry what is said aloud (way in, words reversed,
 * stages, signs), students the side of a condition and own limits. 3: classes and their meetings, and in which class
 * a practice was done. 4: pictures of students with what is marked on them. 5: lines in the teacher’s own voice. Files of earlier versions read as if none of it were noted.
 */
export const BUNDLE_VERSION = 5;

/** The largest bundle that is read, in bytes. */
export const LARGEST_BUNDLE = 64 * 1024 * 1024;

/** What a bundle holds, by kind, in the order in which it is written. */
export const bundleKinds = [
  'schools',
  'exercises',
  'routines',
  'students',
  'plans',
  'logs',
  'decisions',
  'measures',
  'chains',
  'corrections',
  'classes',
  'meetings',
  'stills',
  'films',
  'pictures',
  'recordings',
] as const;
export type BundleKind = (typeof bundleKinds)[number];

const contents = {
  schools: z.array(SchoolSchema),
  exercises: z.array(ExerciseSchema),
  routines: z.array(RoutineSchema),
  students: z.array(StudentSchema),
  plans: z.array(PlanSchema),
  logs: z.array(PracticeLogSchema),
  decisions: z.array(DecisionSchema),
  measures: z.array(MeasureSchema).default([]),
  chains: z.array(ChainSchema).default([]),
  corrections: z.array(CorrectionSchema).default([]),
  classes: z.array(TaughtClassSchema).default([]),
  meetings: z.array(MeetingSchema).default([]),
  stills: z.array(StillSchema).default([]),
  /** What was followed in films; the films themselves are not in the file. */
  films: z.array(FilmSchema).default([]),
  /** Only where the teacher wants them in the file. */
  pictures: z.array(PictureSchema).default([]),
  /** The same. */
  recordings: z.array(RecordingSchema).default([]),
};
export const BundleContentsSchema = z.object(contents);
export type BundleContents = z.infer<typeof BundleContentsSchema>;

/** A versioned file of everything, or of one routine with what it needs. */
export const BundleSchema = z.object({
  format: z.literal('pomek bundle'),
  version: z.literal([1, 2, 3, 4, BUNDLE_VERSION]),
  writtenAt: MomentSchema,
  contents: BundleContentsSchema,
});
export type Bundle = z.infer<typeof BundleSchema>;

export const emptyContents = (): BundleContents => ({
  schools: [],
  exercises: [],
  routines: [],
  students: [],
  plans: [],
  logs: [],
  decisions: [],
  measures: [],
  chains: [],
  corrections: [],
  classes: [],
  meetings: [],
  stills: [],
  films: [],
  pictures: [],
  recordings: [],
});

/** How many records there are of all kinds. */
export const recordCount = (contents: BundleContents): number =>
  bundleKinds.reduce((sum, kind) => sum + contents[kind].length, 0);

/** Several contents as one, their records one after the other. */
export function together(contents: readonly BundleContents[]): BundleContents {
  const whole = emptyContents();
  for (const kind of bundleKinds) Object.assign(whole, { [kind]: contents.flatMap((part) => [...part[kind]]) });
  return whole;
}

/** The text of a bundle, indented so that a person can read it and compare two. */
export function writeBundle(contents: BundleContents, now: Date): string {
  const bundle: Bundle = { format: 'pomek bundle', version: BUNDLE_VERSION, writtenAt: now.toISOString(), contents };
  return `${JSON.stringify(bundle, null, 1)}\n`;
}

/** What a bundle has beside its pictures and recordings, and how its text is longer than theirs: room that is left free, bytes. */
const BESIDE = 24 * 1024 * 1024;

/** Contents that fit into one file: what the teacher has spoken and the newest pictures, as far as there is room, and how many were left out. */
export function withinSize(contents: BundleContents): { readonly contents: BundleContents; readonly left: number } {
  const days = new Map(contents.stills.map(({ id, day }) => [id, day]));
  const newest = contents.pictures.toSorted((a, b) => (days.get(b.id) ?? '').localeCompare(days.get(a.id) ?? ''));
  let room = LARGEST_BUNDLE - BESIDE;
  const recordings = contents.recordings.filter(({ sound }) => (room -= sound.length) >= 0);
  const pictures = newest.filter(({ data }) => (room -= data.length) >= 0);
  const left = newest.length - pictures.length + contents.recordings.length - recordings.length;
  return { contents: { ...contents, pictures, recordings }, left };
}

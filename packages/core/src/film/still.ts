import * as z from 'zod';
import { DaySchema } from '../days/daySchema';
import { lineText, nameText } from '../text/textSchema';

/** From where the camera looks at the body. */
export const filmFrom = ['right', 'left', 'front', 'behind'] as const;
export type FilmFrom = (typeof filmFrom)[number];

export const filmJoints = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle', 'heel', 'toe'] as const;
export type FilmJoint = (typeof filmJoints)[number];
export type FilmSide = 'left' | 'right';
export type MarkName = 'head' | `${FilmJoint} ${FilmSide}`;

/** Every mark there is; `head` is the ear from the side, the middle between the ears from the front and from behind. */
export const markNames = [
  'head',
  ...filmJoints.flatMap((joint) => (['left', 'right'] as const).map((side) => `${joint} ${side}` as const)),
] as const satisfies readonly MarkName[];

/** A point of a picture, px from its left upper corner. */
export const SpotSchema = z.object({ x: z.number().min(-20_000).max(20_000), y: z.number().min(-20_000).max(20_000) });
export type FilmSpot = z.infer<typeof SpotSchema>;
const StretchSchema = z.object({ from: SpotSchema, to: SpotSchema });

/** What the size in the picture is known by. */
export const filmScales = ['foot', 'trunk', 'length'] as const;
export type FilmScale = (typeof filmScales)[number];

/** How far a mark may lie beside its joint, px of the kept picture; nineteen of twenty lie nearer. House value. */
export const MARK_SLIP = 3;

/** How far a mark that the machine has found, and nobody has looked at, may lie beside its joint, cm; nineteen of twenty lie nearer. House value, after rendered bodies. */
export const FOUND_SLIP = 4;

/** A picture of a student and what is marked on it; the picture itself is kept apart. */
export const StillSchema = z.object({
  id: z.string().min(1).max(80),
  studentId: z.string().min(1).max(80),
  day: DaySchema,
  name: nameText(120, 'a picture needs a name'),
  /** Px of the kept picture. */
  width: z.number().int().min(1).max(20_000),
  height: z.number().int().min(1).max(20_000),
  /** Bytes of the kept picture. */
  bytes: z.number().int().min(0),
  from: z.enum(filmFrom),
  /** The leg that works, of a two-sided drill. */
  working: z.enum(['left', 'right']),
  /** What is being done; null where it is no exercise of the shelf. */
  exerciseId: z.string().min(1).max(80).nullable(),
  marks: z.partialRecord(z.enum(markNames), SpotSchema),
  /** Marks that were found by the machine and that nobody has looked at yet. */
  found: z.array(z.enum(markNames)).max(markNames.length).default([]),
  /** Something that hangs plumb in the hall, from its upper end; null: the edge of the picture. */
  plumb: StretchSchema.nullable(),
  scale: z.enum(filmScales),
  /** A length in the plane of the body that is known, and its two ends, where the scale is one. */
  length: StretchSchema.extend({ cm: z.number().min(1).max(1000) }).nullable(),
  /** How far away the camera stood, m; null where it is not known. */
  awayM: z.number().min(0.5).max(50).nullable(),
  /** Where in a film it was taken, s; null of a picture. */
  atSeconds: z.number().min(0).max(86_400).nullable(),
  note: lineText(300),
});
export type Still = z.infer<typeof StillSchema>;

/** From where one looks at the side of the body. */
export const isSideView = (from: FilmFrom): from is FilmSide => from === 'left' || from === 'right';

/** The marks a view asks for, from the ground up. */
export function marksWanted(from: FilmFrom): MarkName[] {
  const sides: readonly FilmSide[] = isSideView(from) ? [from] : ['left', 'right'];
  const left: readonly FilmJoint[] = from === 'behind' ? ['toe'] : isSideView(from) ? [] : ['heel'];
  const asked = filmJoints.toReversed().filter((joint) => !left.includes(joint));
  return [...asked.flatMap((joint) => sides.map((side): MarkName => `${joint} ${side}`)), 'head'];
}

/** The first mark that is still missing, else the first that was found and not looked at; null when all are set. */
export const nextMark = ({ from, marks, found }: Pick<Still, 'from' | 'marks' | 'found'>): MarkName | null =>
  marksWanted(from).find((name) => marks[name] === undefined) ??
  marksWanted(from).find((name) => found.includes(name)) ??
  null;

/** A mark in words: “left knee”. */
export const markWords = (name: MarkName, from: FilmFrom): string => {
  const [joint, side] = name.split(' ');
  if (side === undefined) return isSideView(from) ? 'ear' : 'middle of the head';
  if (joint === 'toe' && !isSideView(from)) return `${side} second toe`;
  return `${side} ${joint === 'ankle' ? 'ankle bone' : joint!}`;
};

/** A picture of today with nothing on it yet. */
export const newStill = (
  made: Pick<Still, 'id' | 'studentId' | 'day' | 'name' | 'width' | 'height' | 'bytes'> & Partial<Still>,
): Still => ({
  from: 'right',
  working: 'right',
  exerciseId: null,
  marks: {},
  found: [],
  plumb: null,
  scale: 'foot',
  length: null,
  awayM: null,
  atSeconds: null,
  note: '',
  ...made,
});

/** The same seen from elsewhere: the scale of that view, and only marks that are wanted there. */
export function seenFrom(still: Still, from: FilmFrom): Still {
  const wanted = marksWanted(from);
  const marks: Still['marks'] = Object.fromEntries(
    Object.entries(still.marks).filter(([name]) => wanted.includes(name as MarkName)),
  );
  const fits = still.scale === 'length' || (still.scale === 'foot') === isSideView(from);
  const found = still.found.filter((name) => marks[name] !== undefined);
  return { ...still, from, marks, found, scale: fits ? still.scale : isSideView(from) ? 'foot' : 'trunk' };
}

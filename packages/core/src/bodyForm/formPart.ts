import * as z from 'zod';
import type { Surface } from './surface';

/** What a part of the surface is made of. */
export const formStuffs = ['jacket', 'trousers', 'sash', 'skin', 'hair', 'shoe'] as const;
export type FormStuff = (typeof formStuffs)[number];

/** More points or triangles than this are no body. */
const MOST = 1e6;
const floats = z.instanceof(Float32Array).refine(({ length }) => length < MOST);

/** A part of the surface of a body at rest, each point carried by up to four bones. */
const FormPartSchema = z.object({
  stuff: z.enum(formStuffs),
  /** Three numbers a point, m, and where its surface faces. */
  points: floats,
  normals: floats,
  /** Three points a triangle. */
  index: z.instanceof(Uint32Array).refine(({ length }) => length < MOST),
  /** Four bones a point, by their place in `boneNames`. */
  bones: z.instanceof(Uint8Array).refine(({ length }) => length < MOST),
  /** How much of each bone, four a point; they sum to 1. */
  weights: floats,
  /** What is woven into the cloth: −1 the left side’s pattern, 1 the right side’s, 0 none. */
  weave: floats,
});
export type FormPart = Surface & Readonly<z.infer<typeof FormPartSchema>>;

/** The surface of a body, as it comes from where it is made. */
export const BodyFormSchema = z.array(FormPartSchema).max(100);

import * as z from 'zod';

/** One step into a record: a key, a place in a list, or the entry of a list with these values. */
const StepSchema = z.union([z.string(), z.number().int(), z.record(z.string(), z.string())]);
export type Step = z.infer<typeof StepSchema>;

/**
 * One value somewhere inside a record. Plain data, so that it can wait in the storage, and small, so
 * that it leaves everything beside it as it is stored.
 */
export const PatchSchema = z.object({
  at: z.array(StepSchema).min(1),
  value: z.unknown(),
  /** What stands where the way leads through a null. */
  create: z.unknown().optional(),
});
export interface Patch {
  readonly at: readonly Step[];
  readonly value: unknown;
  readonly create?: unknown;
  /** It is typed letter by letter: more is likely to follow at once. */
  readonly letters?: boolean;
}

/** What a way leads to inside a record of type T. */
export type Inside<T, P extends readonly unknown[]> = P extends readonly [infer S, ...infer R]
  ? NonNullable<T> extends infer U
    ? U extends readonly (infer E)[]
      ? Inside<E, R>
      : S extends keyof U
        ? Inside<U[S], R>
        : never
    : never
  : T;

/** A patch of a T, held against what T has there. */
export const patchOf = <T>() => {
  return <const P extends readonly Step[]>(at: P, value: Inside<T, P>, create?: unknown): Patch => ({
    at,
    value,
    ...(create === undefined ? {} : { create }),
  });
};

/** The place is no longer there: its part of the record, or the record, was removed. */
export class PlaceGone extends Error {
  constructor() {
    super('It was removed elsewhere meanwhile.');
  }
}

function indexIn(list: readonly unknown[], step: Step): number {
  if (typeof step === 'number') return step < list.length ? step : -1;
  if (typeof step === 'string') return -1;
  return list.findIndex((entry) =>
    Object.entries(step).every(([key, value]) => (entry as Record<string, unknown> | null)?.[key] === value),
  );
}

function replaced(target: unknown, at: readonly Step[], { value, create }: Patch): unknown {
  const [step, ...rest] = at;
  if (step === undefined) return value;
  if (Array.isArray(target)) {
    const index = indexIn(target, step);
    if (index < 0) throw new PlaceGone();
    return target.map((entry: unknown, place) =>
      place === index ? replaced(entry, rest, { at, value, create }) : entry,
    );
  }
  const here = target ?? create;
  if (typeof here !== 'object' || here === null || typeof step !== 'string') throw new PlaceGone();
  return { ...here, [step]: replaced((here as Record<string, unknown>)[step], rest, { at, value, create }) };
}

/**
 * A record with one value put in; everything else is as it was.
 * @throws PlaceGone when the way leads nowhere
 */
export const patched = <T>(record: T, patch: Patch): T => replaced(record, patch.at, patch) as T;

/** What stands at the place of a patch; undefined when the way leads nowhere. */
export function valueAt(record: unknown, at: readonly Step[]): unknown {
  let here = record;
  for (const step of at) {
    if (Array.isArray(here)) here = here[indexIn(here, step)];
    else if (typeof here === 'object' && here !== null && typeof step === 'string')
      here = (here as Record<string, unknown>)[step];
    else return undefined;
  }
  return here;
}

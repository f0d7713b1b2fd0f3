import equal from 'fast-deep-equal';
import type { Change } from './kept-steps';
import type { Reader } from './schemas';

type Fields = Readonly<Record<string, unknown>>;
type End = 'before' | 'after';

/** What becomes of a record: what is stored then, or that it is there no more. */
export type Turned = { readonly to: unknown } | 'conflict';

/**
 * A record with a change taken back, or done again. Fields that the change did not touch stay as they are stored, whoever wrote
 * them since; a conflict where one that it did touch is not as the change left it, or where what it made or took away was
 * changed.
 * @param stored the record as it is stored now
 * @param from the end of the change at which its fields are to be found, and `to` the one to which they are brought
 */
export function turnedChange(change: Change, stored: unknown, from: End, to: End, reader: Reader<unknown>): Turned {
  if (equal(stored, change[from])) return { to: change[to] };
  if (stored === undefined || change.before === undefined || change.after === undefined) return 'conflict';
  const [now, left, wanted] = [stored as Fields, change[from] as Fields, change[to] as Fields];
  const touched = [...new Set([...Object.keys(left), ...Object.keys(wanted)])].filter(
    (field) => !equal(left[field], wanted[field]),
  );
  if (touched.some((field) => !equal(now[field], left[field]))) return 'conflict';
  const isTouched = ([field]: readonly [string, unknown]): boolean => touched.includes(field);
  const others = Object.entries(now).filter((entry) => !isTouched(entry));
  const merged = reader.safeParse(Object.fromEntries([...others, ...Object.entries(wanted).filter(isTouched)]));
  return merged.success ? { to: merged.data } : 'conflict';
}

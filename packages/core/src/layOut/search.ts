import { layParts, type Candidate } from './candidates';
import { hasRoom, isEnough, isProportioned, isWhole, mayFollow, promiseOf, worthOf, type Terms } from './sequence';

/** A row of exercises that is a whole routine, and how good it is. */
export interface Row {
  readonly items: readonly Candidate[];
  readonly worth: number;
}

/** Up to so many candidates every row is tried. */
const FEW = 9;
/** Of more, so many beginnings of each length are gone on with, and no more than so many that loosen with the same exercises. */
const WIDTH = 240;
const ALIKE = 24;
/** So many whole rows are remembered, the best first. */
const BEST = 60;
/** A routine has no more exercises than this. */
const MOST = 24;

const better = (a: Row, b: Row): number => b.worth - a.worth;

/** Whether the next exercise comes in the order of the parts; loosening and closing in the order of the shelf, from below upwards. */
export function inOrder(
  row: readonly Candidate[],
  next: Candidate,
  candidates: readonly Candidate[],
  terms: Terms,
): boolean {
  const before = row.at(-1);
  const [from, to] = [layParts.indexOf(before?.part ?? 'loosening'), layParts.indexOf(next.part)];
  if (to < from) return false;
  if (to > from) return layParts.slice(from, to).every((part) => isEnough(row, part, terms));
  if (before === undefined) return true;
  return next.part === 'middle' || candidates.indexOf(next) > candidates.indexOf(before);
}

/** Of rows with the same exercises and the same last one only the best: what can follow is the same for all of them. */
function ofEachKind(rows: readonly Row[]): Row[] {
  const seen = new Set<string>();
  return rows.filter(({ items }) => {
    const ids = items.map(({ exercise }) => exercise.id);
    const kind = `${ids.toSorted().join(' ')}|${ids.at(-1)!}`;
    if (seen.has(kind)) return false;
    seen.add(kind);
    return true;
  });
}

/** Of rows that loosen with the same exercises only so many. */
function ofEachLoosening(rows: readonly Row[]): Row[] {
  const seen = new Map<string, number>();
  return rows.filter(({ items }) => {
    const middle = items.findIndex(({ part }) => part !== 'loosening');
    if (middle === -1) return true;
    const kind = items
      .slice(0, middle)
      .map(({ exercise }) => exercise.id)
      .join(' ');
    const many = (seen.get(kind) ?? 0) + 1;
    seen.set(kind, many);
    return many <= ALIKE;
  });
}

/** Rows one longer than `row`, as far as they can still come to be as long as is asked. */
const longer = (row: readonly Candidate[], candidates: readonly Candidate[], terms: Terms): Candidate[][] =>
  candidates
    .filter((next) => inOrder(row, next, candidates, terms) && mayFollow(row, next, terms))
    .map((next) => [...row, next])
    .filter((made) => hasRoom(made, terms));

/**
 * The best rows of exercises for what is asked, the best first. With few candidates all rows are tried; with more, the best
 * beginnings of each length are gone on with: then it is the best that was found.
 * @param allowed whether a row may be taken at all, asked of beginnings too
 */
export function bestRows(
  candidates: readonly Candidate[],
  terms: Terms,
  allowed: (row: readonly Candidate[]) => boolean = () => true,
): { readonly rows: readonly Row[]; readonly complete: boolean } {
  const complete = candidates.length <= FEW;
  let found: Row[] = [];
  let beginnings: readonly (readonly Candidate[])[] = [[]];
  for (let length = 1; length <= MOST && beginnings.length > 0; length += 1) {
    const next = beginnings.flatMap((row) => longer(row, candidates, terms)).filter(allowed);
    const whole = next
      .filter((row) => isWhole(row, terms))
      .map((items): Row => ({ items, worth: worthOf(items, terms) }));
    found = [...found, ...whole].toSorted(better).slice(0, BEST);
    beginnings = complete
      ? next
      : ofEachLoosening(
          ofEachKind(
            next
              .filter((row) => isProportioned(row, terms))
              .map((items) => ({ items, worth: promiseOf(items, terms) }))
              .toSorted(better),
          ),
        )
          .slice(0, WIDTH)
          .map(({ items }) => items);
  }
  return { rows: found, complete };
}

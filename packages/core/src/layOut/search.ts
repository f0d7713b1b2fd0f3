import { layParts, type Candidate } from './candidates';
import { nothingLaid, sumsWith, withNext, type Laid, type Sums } from './laid';
import {
  hasRoom,
  isEnough,
  isProportioned,
  isWhole,
  mayFollow,
  MOST_FOR_ARC,
  promiseOf,
  worthOf,
  worthWithoutArc,
} from './sequence';
import type { Terms } from './terms';

/** A row of exercises that is a whole routine, and how good it is. */
export interface Row {
  readonly laid: Laid;
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

const better = (a: Pick<Row, 'worth'>, b: Pick<Row, 'worth'>): number => b.worth - a.worth;

/** Whether the next exercise comes in the order of the parts; loosening and closing in the order of the shelf, from below upwards. */
function inOrder(row: Sums, next: Candidate, terms: Terms): boolean {
  const { last } = row;
  const [from, to] = [layParts.indexOf(last?.part ?? 'loosening'), layParts.indexOf(next.part)];
  if (to < from) return false;
  if (to > from) return layParts.slice(from, to).every((part) => isEnough(row, part, terms));
  return last === null || next.part === 'middle' || next.at > last.at;
}

/** Whether a row may go on with an exercise and can still come to be as long as is asked. */
export const goesOnWith = ({ items, sums }: Laid, next: Candidate, terms: Terms): boolean =>
  hasRoom(sums, next, terms) && inOrder(sums, next, terms) && mayFollow(items, next, terms);

type Allowed = (row: readonly Candidate[]) => boolean;

/** A row and how it may go on, not made yet: of thousands only the best are. */
interface Step {
  readonly row: Laid;
  readonly next: Candidate;
  readonly worth: number;
}
/** Steps to rows that are not whole yet: of those with the same exercises and the same last one only the best. */
class OpenSteps {
  private readonly ofSet = new Map<bigint, Map<Candidate, Step>>();

  add(step: Step, { set }: Sums): void {
    const ofLast = this.ofSet.get(set) ?? new Map<Candidate, Step>();
    this.ofSet.set(set, ofLast);
    const before = ofLast.get(step.next);
    // What can follow is the same for all of them.
    if (before === undefined || step.worth > before.worth) ofLast.set(step.next, step);
  }

  /** The best first. */
  sorted(): Step[] {
    return [...this.ofSet.values()].flatMap((ofLast) => [...ofLast.values()]).sort(better);
  }
}

const after = ({ row, next }: Step): readonly Candidate[] => [...row.items, next];

/** The best beginnings to go on with: of those that loosen with the same exercises only some. */
function worthGoingOn(steps: readonly Step[], terms: Terms, allowed: Allowed): Laid[] {
  const loosenings = new Map<bigint, number>();
  const taken: Laid[] = [];
  for (const step of steps) {
    if (taken.length === WIDTH) break;
    if (!allowed(after(step))) continue;
    const laid = withNext(step.row, step.next, terms);
    // As long as it only loosens they are all different.
    if (step.next.part !== 'loosening') {
      const many = (loosenings.get(laid.sums.loosening) ?? 0) + 1;
      loosenings.set(laid.sums.loosening, many);
      if (many > ALIKE) continue;
    }
    taken.push(laid);
  }
  return taken;
}

/** The best of some whole rows that may be taken, and of those that were found before. */
function bestOf(found: readonly Row[], steps: readonly Step[], terms: Terms, allowed: Allowed): Row[] {
  let best = [...found];
  // What cannot be better than this is not made at all.
  let least = -Infinity;
  for (const step of steps.toSorted(better)) {
    if (best.length % BEST === 0 && best.length > 0) {
      best = best.toSorted(better).slice(0, BEST);
      least = best.at(-1)!.worth;
    }
    if (step.worth + MOST_FOR_ARC <= least) break;
    if (!allowed(after(step))) continue;
    const laid = withNext(step.row, step.next, terms);
    best.push({ laid, worth: worthOf(laid, terms) });
  }
  return best.toSorted(better).slice(0, BEST);
}

/**
 * The best rows of exercises for what is asked, the best first. With few candidates all rows are tried; with more, the best
 * beginnings of each length are gone on with: then it is the best that was found.
 * @param allowed whether a row may be taken at all, asked of beginnings too
 */
export function bestRows(
  candidates: readonly Candidate[],
  terms: Terms,
  allowed: Allowed = () => true,
): { readonly rows: readonly Row[]; readonly complete: boolean } {
  const complete = candidates.length <= FEW;
  let found: Row[] = [];
  let beginnings = [nothingLaid(terms)];
  for (let length = 1; length <= MOST && beginnings.length > 0; length += 1) {
    const whole: Step[] = [];
    const all: Step[] = [];
    const open = new OpenSteps();
    for (const row of beginnings)
      for (const next of candidates) {
        if (!goesOnWith(row, next, terms)) continue;
        const sums = sumsWith(row.sums, next, terms);
        if (isWhole(sums, terms)) whole.push({ row, next, worth: worthWithoutArc(sums, terms) });
        if (complete) all.push({ row, next, worth: 0 });
        else if (isProportioned(sums, terms)) open.add({ row, next, worth: promiseOf(sums, terms) }, sums);
      }
    found = bestOf(found, whole, terms, allowed);
    beginnings = complete
      ? all.filter((step) => allowed(after(step))).map(({ row, next }) => withNext(row, next, terms))
      : worthGoingOn(open.sorted(), terms, allowed);
  }
  return { rows: found, complete };
}

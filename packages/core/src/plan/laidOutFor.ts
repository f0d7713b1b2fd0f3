import { candidatesOf, manyCanBeDone, type LayAsk } from '../layOut/candidates';
import { layOut, type LayNames, type Proposal } from '../layOut/layOut';
import type { PersonRecord } from '../person/personRecord';
import { layAsk, type Wished } from './layAsk';

/** What was laid out for some people. */
export interface LaidOut {
  readonly proposals: readonly Proposal[];
  readonly ask: LayAsk;
  /** Those of a class for whom it is not: with them nothing fits. */
  readonly without: readonly PersonRecord[];
}

/** So many of a class at most are left out, as a share of it. Our own value. */
const LEFT_OUT = 1 / 2;

/**
 * Routines for what a teacher asks. One of a class who may do very little keeps the others from practising at all: where nothing
 * fits everybody, it is laid out without those who can do the fewest exercises, of half of the class at most; what they do
 * instead is for the teacher to say.
 */
export function laidOutFor(wished: Wished, people: readonly PersonRecord[], names: LayNames): LaidOut {
  const ask = layAsk(wished, people);
  const proposals = layOut(ask, names);
  if (proposals.length > 0) return { proposals, ask, without: [] };
  const canDo = new Map(people.map((person) => [person, manyCanBeDone(layAsk(wished, [person]))]));
  const fewestFirst = people.toSorted((a, b) => canDo.get(a)! - canDo.get(b)!);
  for (let many = 1; many <= people.length * LEFT_OUT && many < people.length; many += 1) {
    const without = fewestFirst.slice(0, many);
    const others = people.filter((person) => !without.includes(person));
    const asked = layAsk(wished, others);
    const found = layOut(asked, names);
    if (found.length > 0) return { proposals: found, ask: asked, without };
  }
  return { proposals: [], ask, without: [] };
}

/** Works out what each exercise asks of each of some people, so that the same question is answered sooner. */
export function prepareLaying(wished: Wished, people: readonly PersonRecord[]): void {
  if (people.length === 0) candidatesOf(layAsk(wished, []));
  for (const person of people) candidatesOf(layAsk(wished, [person]));
}

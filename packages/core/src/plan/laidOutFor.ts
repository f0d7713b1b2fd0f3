import { candidatesOf, type LayAsk } from '../layOut/candidates';
import { layOut, manyCanBeDone, type LayNames, type Proposal } from '../layOut/layOut';
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
 * fits everybody, it is laid out without those who can do the fewest exercises, of half of the class at most, and with
 * everybody of them again with whom it comes out as well; what the others do instead is for the teacher to say.
 */
export function laidOutFor(wished: Wished, people: readonly PersonRecord[], names: LayNames): LaidOut {
  const laid = (without: readonly PersonRecord[]): LaidOut => {
    const ask = layAsk(
      wished,
      people.filter((person) => !without.includes(person)),
    );
    return { proposals: layOut(ask, names), ask, without };
  };
  const found = ({ proposals }: LaidOut): boolean => proposals.length > 0;
  const forAll = laid([]);
  if (found(forAll)) return forAll;
  const canDo = new Map(people.map((person) => [person, manyCanBeDone(layAsk(wished, [person]), names)]));
  const fewestFirst = people.toSorted((a, b) => canDo.get(a)! - canDo.get(b)!);
  for (let many = 1; many <= people.length * LEFT_OUT; many += 1) {
    let best = laid(fewestFirst.slice(0, many));
    if (!found(best)) continue;
    // Without the last one it did not come out; whoever went before may not have been in the way.
    for (const back of fewestFirst.slice(0, many - 1)) {
      const more = laid(best.without.filter((person) => person !== back));
      if (found(more)) best = more;
    }
    return best;
  }
  return forAll;
}

/** Works out what each exercise asks of each of some people, so that the same question is answered sooner. */
export function prepareLaying(wished: Wished, people: readonly PersonRecord[]): void {
  if (people.length === 0) candidatesOf(layAsk(wished, []));
  for (const person of people) candidatesOf(layAsk(wished, [person]));
}

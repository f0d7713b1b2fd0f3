import fc from 'fast-check';
import { routineEffort } from '../endurance/routineEffort';
import { routineFindings } from '../findings';
import type { FindingPerson } from '../findings/finding';
import { builtInExercises } from '../library/builtInExercises';
import type { Exercise } from '../library/exercise';
import { findingPerson } from '../plan/findingPerson';
import { timeline, unevenness, type ExerciseSegment, type Routine, type Segment } from '../routine';
import { softSchool } from '../schools';
import { candidatesOf, type Candidate, type LayAsk } from './candidates';
import { exchanged } from './exchange';
import { layOut } from './layOut';
import { bestRows } from './search';
import { layWishes } from './wish';
import { laidOf } from './laid';
import { isWhole, mayFollow, worthOf } from './sequence';
import { termsOf } from './terms';

const nobody = findingPerson(null, '', '2026-03-12');
const shelfOf = (exercises: readonly Exercise[]) => new Map(exercises.map((exercise) => [exercise.id, exercise]));
const shelf = shelfOf(builtInExercises);
const ask = (change: Partial<LayAsk>): LayAsk => ({
  seconds: 1200,
  wishes: [],
  people: [nobody],
  school: softSchool,
  shelf,
  doses: new Map(),
  corrected: new Set(),
  known: new Set(),
  last: [],
  alike: false,
  ...change,
});
const everything: ReadonlySet<string> = new Set(builtInExercises.map(({ id }) => id));
const RUNS = Number(process.env['LAY_OUT_RUNS'] ?? 3);
/** A body as strong as a share of a standard one. */
const asStrong = (share: number): FindingPerson => {
  const { kneeNm, shoulderNm, ...known } = nobody.capacity;
  return { ...nobody, capacity: { ...known, kneeNm: kneeNm * share, shoulderNm: shoulderNm * share } };
};
let made = 0;
const names = { name: 'Laid out', newId: () => `new-${(made += 1)}` };
const exerciseIds = ({ segments }: Pick<Routine, 'segments'>): string[] =>
  segments.flatMap((part) => (part.type === 'exercise' ? [part.exerciseId] : []));

describe('the search', () => {
  const few = [
    ...['joint-circles', 'arm-swings', 'neutral-stance', 'tree-holding', 'one-hand-reeling', 'belly-breathing'],
    ...['shake-out', 'gathering-home'],
  ];
  const eight = shelfOf(few.map((id) => shelf.get(id)!));

  /** The best worth of all rows there are, the plain way. */
  function bestOfAll(candidates: readonly Candidate[], of: LayAsk): number {
    const terms = termsOf(of, candidates);
    const parts = ['loosening', 'middle', 'closing'];
    let best = -Infinity;
    const go = (row: readonly Candidate[]): void => {
      const inOrder = row.every((one, at) => {
        const before = row[at - 1];
        if (before === undefined) return true;
        const step = parts.indexOf(one.part) - parts.indexOf(before.part);
        if (step !== 0) return step > 0;
        return one.part === 'middle' || candidates.indexOf(one) > candidates.indexOf(before);
      });
      const follows = row.every((one, at) => mayFollow(row.slice(0, at), one, terms));
      if (!inOrder || !follows) return;
      const laid = laidOf(row, terms);
      if (row.length > 0 && isWhole(laid.sums, terms)) best = Math.max(best, worthOf(laid, terms));
      for (const next of candidates) if (!row.includes(next)) go([...row, next]);
    };
    go([]);
    return best;
  }

  test.each([
    [600, ['quiet']],
    [720, ['reeling', 'breath']],
    [1200, ['legs']],
    [900, []],
  ] as const)('of a shelf of eight, %i s for %j: the best of all rows there are', (seconds, wishes) => {
    const of = ask({ seconds, wishes, shelf: eight, last: [new Set()] });
    const candidates = candidatesOf(of);
    const { rows, complete } = bestRows(candidates, termsOf(of, candidates));
    expect(complete).toBe(true);
    expect(rows[0]?.worth ?? -Infinity).toBeCloseTo(bestOfAll(candidates, of), 9);
  });
});

describe('what is laid out', () => {
  const checked = (of: LayAsk) => {
    const proposals = layOut(of, names);
    for (const { routine, why, reasons } of proposals) {
      // Breaths that slow do not last whole seconds.
      expect(Math.round(timeline(routine).totalMs / 1000)).toBe(of.seconds);
      for (const person of of.people) {
        const effort = routineEffort(routine, of.shelf, person.body, person.capacity, of.school);
        const findings = routineFindings({
          routine,
          exercises: of.shelf,
          school: of.school,
          person,
          effort,
          newId: names.newId,
        });
        expect(findings.filter(({ grade }) => grade !== 'note')).toEqual([]);
      }
      const ids = exerciseIds(routine);
      expect(new Set(ids).size).toBe(ids.length);
      const families = ids.map((id) => of.shelf.get(id)!.family);
      expect(families.at(-1)).toBe('closing');
      // A short one may begin at once.
      if (of.seconds >= 600) expect(families[0]).toBe('warm-up');
      for (const [at, id] of ids.entries())
        for (const first of of.shelf.get(id)!.prerequisites)
          if (!of.known.has(first)) expect([id, ids.slice(0, at)]).toEqual([id, expect.arrayContaining([first])]);
      for (const part of routine.segments) {
        if (part.type === 'exercise') expect(unevenness(part.dose)).toEqual([]);
        expect(reasons.get(part.id)).toMatch(/\.$/);
      }
      expect(why).toMatch(/^[A-Z0-9].*\.$/);
    }
    return proposals;
  };

  test('twenty minutes of reeling and quiet: three that differ, each to the second, sound and with its reasons', () => {
    const proposals = checked(ask({ wishes: ['reeling', 'quiet'] }));
    expect(proposals).toHaveLength(3);
    expect(proposals[0]!.why).toBe('All of the middle is silk-reeling and quiet.');
    for (const [at, { routine }] of proposals.entries())
      for (const other of proposals.slice(at + 1)) {
        const common = new Set(exerciseIds(other.routine));
        const alike = candidatesOf(ask({}))
          .filter(({ exercise }) => common.has(exercise.id) && exerciseIds(routine).includes(exercise.id))
          .reduce((sum, { extent }) => sum + extent.seconds, 0);
        expect(alike).toBeLessThanOrEqual(0.6 * 1200);
      }
  });

  test('a plan’s dose stays as it is, what is corrected is in it, and what was done lately is left out', () => {
    const dose = { ...shelf.get('tree-holding')!.defaultDose, kind: 'hold' as const, holdSeconds: 95 };
    const last = layOut(ask({ wishes: ['standing'] }), names)[0]!.routine;
    const [first] = checked(
      ask({
        wishes: ['standing'],
        doses: new Map([['tree-holding', dose as never]]),
        corrected: new Set(['empty-full']),
        known: everything,
        last: [new Set(exerciseIds(last))],
      }),
    );
    const { segments } = first!.routine;
    expect(segments.find((part) => part.type === 'exercise' && part.exerciseId === 'tree-holding')).toMatchObject({
      dose: { holdSeconds: 95 },
    });
    expect(exerciseIds(first!.routine)).toContain('empty-full');
    expect(first!.why).toContain('all goals of the plan are in it');
    expect(first!.why).toContain('what is being corrected is trained in Empty and full');
  });

  test('ten minutes of breathing come out too', () => {
    expect(checked(ask({ seconds: 600, wishes: ['breath'] })).length).toBeGreaterThan(0);
  });

  test('legs that would give out have a rest before it, which says why; it goes along when something is exchanged', () => {
    const of = ask({ people: [asStrong(0.5)], known: everything });
    const proposals = checked(of);
    const rested = proposals.find(({ routine }) => routine.segments.some(({ type }) => type === 'rest'))!;
    const at = rested.routine.segments.findIndex(({ type }) => type === 'rest');
    const [rest, next] = rested.routine.segments.slice(at) as [Segment, ExerciseSegment];
    expect(rested.reasons.get(rest.id)).toBe(`So that legs and arms last through ${shelf.get(next.exerciseId)!.name}.`);
    const other = exchanged(rested.routine, next.id, new Set(), of, names);
    if (other !== null) expect(exerciseIds(other.routine)).not.toContain(next.exerciseId);
  });

  // LAY_OUT_RUNS=2000 for the thorough run; each of them is laid out whole.
  test('whatever is wished for, of whatever length, for whomever: to the second, sound, in order', () => {
    const wish = fc.record({
      minutes: fc.integer({ min: 8, max: 45 }),
      wishes: fc.uniqueArray(fc.constantFrom(...layWishes), { maxLength: 3 }),
      strength: fc.double({ min: 0.7, max: 1.4, noNaN: true }),
      others: fc.integer({ min: 0, max: 2 }),
      known: fc.boolean(),
      last: fc.uniqueArray(fc.constantFrom(...everything), { maxLength: 8 }),
      alike: fc.boolean(),
    });
    let found = 0;
    fc.assert(
      fc.property(wish, ({ minutes, wishes, strength, others, known, last, alike }) => {
        const people = Array.from({ length: 1 + others }, (_, nth) => asStrong(strength + nth * 0.1));
        const of = { seconds: minutes * 60, wishes, people, known: known ? everything : new Set<string>() };
        found += checked(ask({ ...of, last: [new Set(last)], alike })).length > 0 ? 1 : 0;
      }),
      { numRuns: RUNS, seed: 31, endOnFailure: true },
    );
    // Without a wish that cannot be had there is always one.
    expect(found).toBeGreaterThan(RUNS / 3);
  });
});

describe('one exercise for another', () => {
  const of = ask({ wishes: ['reeling', 'standing'], known: everything });
  const [first] = layOut(of, names);
  const { routine } = first!;

  test('each place gets the best that is not in it yet; all else stays, and it is as long as before', () => {
    let exchanges = 0;
    for (const [at, segment] of routine.segments.entries()) {
      const other = exchanged(routine, segment.id, new Set(), of, names);
      if (other === null) continue;
      exchanges += 1;
      const [before, after] = [exerciseIds(routine), exerciseIds(other.routine)];
      expect(after.length).toBe(before.length);
      expect(after[at]).not.toBe(before[at]);
      expect(after.toSpliced(at, 1)).toEqual(before.toSpliced(at, 1));
      expect(timeline(other.routine).totalMs / 1000).toBe(of.seconds);
      const again = exchanged(routine, segment.id, new Set([after[at]!]), of, names);
      if (again !== null) expect(exerciseIds(again.routine)[at]).not.toBe(after[at]);
    }
    expect(exchanges).toBeGreaterThan(0);
  });

  test('where nothing else fits, nothing is given', () => {
    expect(exchanged(routine, routine.segments[0]!.id, everything, of, names)).toBeNull();
    expect(exchanged(routine, 'not there', new Set(), of, names)).toBeNull();
  });
});

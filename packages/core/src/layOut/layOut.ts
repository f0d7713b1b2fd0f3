import { routineEffort } from '../endurance/routineEffort';
import { routineFindings } from '../findings';
import { fitRoutine } from '../fit/fitRoutine';
import { longestHold } from '../limits/axisLimits';
import { newRoutine } from '../routine/commands';
import type { ExerciseSegment, Routine, Segment } from '../routine/routine';
import { candidatesOf, type Candidate, type LayAsk } from './candidates';
import { reasonsOf, whyOf } from './layWords';
import { bestRows, type Row } from './search';
import { stretchOf } from './extent';
import { laidOf } from './laid';
import { wishesMet } from './sequence';
import { termsOf, type Terms } from './terms';

/** A routine that is laid out, and why it is as it is. */
export interface Proposal {
  readonly routine: Routine;
  /** What it is for, in a sentence. */
  readonly why: string;
  /** Why each segment stands where it does, by its id. */
  readonly reasons: ReadonlyMap<string, string>;
  /** Whether every other one was tried; else it is the best that was found. */
  readonly complete: boolean;
}

/** What is needed to make a routine that can be stored. */
export interface LayNames {
  readonly name: string;
  readonly newId: () => string;
}

/** So many are proposed. */
const PROPOSALS = 3;
/** An exercise for which so many rows were not sound is left out of the next ones; one that is wanted later. Our own values. */
const SPOILS = 2;
const WANTED_SPOILS = 4;
/** A proposal meets at least this share of what the first one meets of the wishes. Our own value. */
const WORTH_SHOWING = 0.6;
/** So many searches, and so many rows looked at whole, at most: after that it is what was found. Our own values. */
const TURNS = 12;
const MOST_LOOKED_AT = 120;
/** Two of them have no more than this share of their time in common: they differ in two fifths of it. */
const COMMON = 0.6;

/** How long a hold may last for everybody, by segment. */
function longestHolds(
  row: readonly Candidate[],
  segments: readonly ExerciseSegment[],
  { people, school, shelf }: LayAsk,
): Map<string, number> {
  return new Map(
    row.flatMap(({ exercise }, at): [string, number][] => {
      const segment = segments[at]!;
      const most = Math.min(...people.map((person) => longestHold({ segment, exercise, school, person, shelf })));
      return Number.isFinite(most) ? [[segment.id, most]] : [];
    }),
  );
}

/** A rest before an exercise in which somebody would give out, s (common practice). At most so many in a routine: our own value. */
const REST = 60;
const MOST_RESTS = 3;

/**
 * A row as a routine that takes exactly as long as is asked; null where it does not come out.
 * @param rested places of the row before which one rests
 */
function routineOf(
  row: readonly Candidate[],
  rested: ReadonlySet<number>,
  ask: LayAsk,
  { name, newId }: LayNames,
): Routine | null {
  const segments = row.map(({ segment }): ExerciseSegment => ({ ...segment, id: newId() }));
  const all = segments.flatMap((segment, at) => (rested.has(at) ? [restOf(newId()), segment] : [segment]));
  const plain: Routine = { ...newRoutine(newId(), name, ask.school), segments: all };
  const held = new Set(segments.filter((_, at) => row[at]!.extent.work === 0).map(({ id }) => id));
  const fit = fitRoutine(plain, {
    target: ask.seconds,
    held,
    countMultiple: ask.school.countsOf,
    longestHold: longestHolds(row, segments, ask),
  });
  return fit.ok && Math.abs(fit.seconds - ask.seconds) < 0.5 ? fit.routine : null;
}

const restOf = (id: string): Segment => ({ type: 'rest', id, seconds: REST, label: 'Rest', roundId: null });

/** What is a danger or a doubt for somebody in a routine. */
interface Unsound {
  /** The exercises by id; null where it is about the whole. */
  readonly in: readonly (string | null)[];
  /** In which exercise somebody gives out; null where nobody does, or where that is not all. */
  readonly givesOut: string | null;
}

/** What in a routine is a danger or a doubt for anyone; null where nothing is. */
function unsoundIn(routine: Routine, { people, school, shelf }: LayAsk, { newId }: LayNames): Unsound | null {
  const exerciseOf = new Map(
    routine.segments.map((segment) => [segment.id, segment.type === 'exercise' ? segment.exerciseId : null]),
  );
  const inExercise = (segmentId: string | null | undefined): string | null => exerciseOf.get(segmentId ?? '') ?? null;
  for (const person of people) {
    const effort = routineEffort(routine, shelf, person.body, person.capacity, school);
    const findings = routineFindings({ routine, exercises: shelf, school, person, effort, newId });
    const bad = findings.filter(({ grade }) => grade !== 'note');
    // What is too much for one need not be asked of the others.
    if (bad.length === 0) continue;
    const out = inExercise(effort.failure?.segmentId);
    const wrong = bad.map(({ segmentId }) => inExercise(segmentId));
    return { in: wrong, givesOut: wrong.every((id) => id === out) ? out : null };
  }
  return null;
}

/**
 * A row as a sound routine, with a rest where somebody would give out otherwise; else what is wrong with it. Null where it does not
 * come out to the second.
 */
function soundOf(
  row: readonly Candidate[],
  ask: LayAsk,
  names: LayNames,
): { readonly routine: Routine } | { readonly wrong: Unsound['in'] } | null {
  const rested = new Set<number>();
  for (;;) {
    const routine = routineOf(row, rested, ask, names);
    if (routine === null) return rested.size === 0 ? null : { wrong: [] };
    const unsound = unsoundIn(routine, ask, names);
    if (unsound === null) return { routine };
    const at = row.findIndex(({ exercise }) => exercise.id === unsound.givesOut);
    if (at < 1 || rested.has(at) || rested.size === MOST_RESTS) return { wrong: unsound.in };
    rested.add(at);
  }
}

/** Whether an exercise, alone and at the least that is laid out of it, is a danger or a doubt for nobody who has learned what it needs. */
function isSoundAlone(candidate: Candidate, ask: LayAsk, names: LayNames): boolean {
  const alone: Routine = { ...newRoutine('alone', names.name, ask.school), segments: [candidate.segment] };
  const fit =
    candidate.extent.work === 0
      ? null
      : fitRoutine(alone, {
          target: candidate.extent.least,
          held: new Set(),
          countMultiple: ask.school.countsOf,
          longestHold: new Map(),
        });
  if (fit?.ok === false) return true;
  const learned = new Set(ask.shelf.keys());
  const people = ask.people.map((person) => ({ ...person, learned }));
  return unsoundIn(fit?.routine ?? alone, { ...ask, people }, names) === null;
}

/** How many exercises of the shelf everybody can do, by what is noted and by strength. */
export const manyCanBeDone = (ask: LayAsk, names: LayNames): number =>
  candidatesOf(ask).filter((candidate) => isSoundAlone(candidate, ask, names)).length;

/** A row, and the routine that it comes to. */
export interface Found {
  readonly row: Row;
  readonly routine: Routine;
}

/**
 * The first of some rows that comes out to the second and is sound.
 * @param spoils told of each exercise for which a row was not sound; rows with those that it answers true to are left out
 * @param mayLook asked before each row is looked at whole
 */
export function firstSound(
  rows: readonly Row[],
  ask: LayAsk,
  names: LayNames,
  { spoils, mayLook }: { spoils: (exerciseId: string) => boolean; mayLook: () => boolean } = {
    spoils: () => false,
    mayLook: () => true,
  },
): Found | null {
  const out = new Set<string>();
  for (const row of rows) {
    if (row.laid.items.some(({ exercise }) => out.has(exercise.id))) continue;
    if (!mayLook()) return null;
    const tried = soundOf(row.laid.items, ask, names);
    if (tried === null) continue;
    if ('routine' in tried) return { row, routine: tried.routine };
    for (const id of tried.wrong) if (id !== null && spoils(id)) out.add(id);
  }
  return null;
}

/** @param complete whether every other one was tried */
export const proposalOf = (
  { row: { laid }, routine }: Found,
  ask: LayAsk,
  terms: Terms,
  complete: boolean,
): Proposal => ({
  routine,
  why: whyOf(laid.items, ask, terms),
  reasons: reasonsOf(laid.items, routine, ask),
  complete,
});

/** Whether a row has little in common with some others. */
function unlike(others: readonly Row[], { seconds }: Terms): (row: readonly Candidate[]) => boolean {
  const theirs = others.map(({ laid }) => new Set(laid.items));
  return (row) =>
    theirs.every((of) => row.reduce((sum, one) => sum + (of.has(one) ? one.extent.seconds : 0), 0) <= COMMON * seconds);
}

/**
 * Up to three different routines for what is asked, the best first: each as long as is asked to the second, with loosening
 * first and closing last, what prepares before what it prepares, soft after hard, rests where somebody would give out, and
 * nothing that is a danger or a doubt for anyone.
 */
export function layOut(ask: LayAsk, names: LayNames): Proposal[] {
  const all = candidatesOf(ask);
  const terms = termsOf(ask, all);
  const spoilt = new Map<string, number>();
  const isWanted = (id: string): boolean => terms.goals.has(id) || terms.corrected.has(id);
  const isSpoilt = (id: string): boolean => (spoilt.get(id) ?? 0) >= (isWanted(id) ? WANTED_SPOILS : SPOILS);
  const isTooMuch = (id: string): boolean =>
    all.some((candidate) => candidate.exercise.id === id && !isSoundAlone(candidate, ask, names));
  // What is too much by itself needs no second trial, and what is wanted none at all: every row would begin with it.
  for (const { exercise } of all)
    if (isWanted(exercise.id) && isTooMuch(exercise.id)) spoilt.set(exercise.id, Infinity);
  const spoils = (id: string): boolean => {
    const times = (spoilt.get(id) ?? 0) + 1;
    spoilt.set(id, times === 1 && !isWanted(id) && isTooMuch(id) ? Infinity : times);
    return isSpoilt(id);
  };
  // A row may have been searched for without the wishes.
  const met = ({ laid }: Row): number =>
    wishesMet(laidOf(laid.items, terms).sums, stretchOf(laid.sums.whole, ask.seconds), terms);
  const taken: Row[] = [];
  const proposals: Proposal[] = [];
  let looked = 0;
  const mayLook = (): boolean => (looked += 1) <= MOST_LOOKED_AT;
  for (let turn = 0; turn < TURNS && proposals.length < PROPOSALS && looked < MOST_LOOKED_AT; turn += 1) {
    const candidates = all.filter(({ exercise }) => !isSpoilt(exercise.id));
    const wanted = bestRows(candidates, terms, unlike(taken, terms));
    // There may not be enough of what is wished for to fill the time: then with whatever else there is.
    const { rows, complete } =
      wanted.rows.length > 0 ? wanted : bestRows(candidates, { ...terms, wishes: [] }, unlike(taken, terms));
    const found = firstSound(rows, ask, names, { spoils, mayLook });
    if (found === null) {
      // Nothing was spoilt that was not before: then no other search finds more.
      if (all.filter(({ exercise }) => !isSpoilt(exercise.id)).length === candidates.length) break;
      continue;
    }
    taken.push(found.row);
    // What is hardly what was wished for is no proposal beside one that is.
    if (met(found.row) < WORTH_SHOWING * met(taken[0]!)) continue;
    proposals.push(proposalOf(found, ask, terms, complete && candidates.length === all.length));
  }
  return proposals;
}

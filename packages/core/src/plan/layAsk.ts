import type { Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { pointsInWork } from '../corrections/correction';
import type { LayAsk } from '../layOut/candidates';
import type { LayWish } from '../layOut/wish';
import type { PersonRecord } from '../person/personRecord';
import { newRoutine, newSegment } from '../routine/commands';
import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import { findingPerson } from './findingPerson';
import { lockedSegments } from './lockedSegments';
import { practisedRoutine } from './practisedRoutine';

/** What a teacher asks for. */
export interface Wished {
  /** s */
  readonly seconds: number;
  readonly wishes: readonly LayWish[];
  /** Like the last one rather than unlike the last two. */
  readonly alike: boolean;
  readonly school: School;
  readonly shelf: ReadonlyMap<string, Exercise>;
  /** YYYY-MM-DD */
  readonly today: string;
}

/** The doses of somebody's goals today, by exercise. */
function goalDoses(person: PersonRecord): Map<string, Dose> {
  return new Map(
    person.plans.flatMap((plan) => {
      const routine = person.routines.find(({ id }) => id === plan.routineId);
      if (routine === undefined) return [];
      const goals = new Set(plan.strands.map(({ segmentId }) => segmentId));
      return practisedRoutine(routine, person).routine.segments.flatMap((segment): [string, Dose][] =>
        segment.type === 'exercise' && goals.has(segment.id) ? [[segment.exerciseId, segment.dose]] : [],
      );
    }),
  );
}

/** Exercises with a checkpoint that is being corrected with somebody. */
function correctedWith({ corrections, today }: PersonRecord, shelf: ReadonlyMap<string, Exercise>): string[] {
  const inWork = new Set(
    pointsInWork(
      corrections,
      corrections.map(({ checkpointId }) => checkpointId),
      today,
    ).map(({ checkpointId }) => checkpointId),
  );
  return [...shelf.values()]
    .filter(({ checkpoints }) => checkpoints.some(({ id }) => inWork.has(id)))
    .map(({ id }) => id);
}

/** The exercises of each practice of somebody, the latest first. */
const practisedBy = ({ logs }: PersonRecord): ReadonlySet<string>[] =>
  logs
    .toSorted((a, b) => b.startedAt.localeCompare(a.startedAt))
    .map(({ lines }) => new Set(lines.map(({ exerciseId }) => exerciseId)));

/** Exercises that a sign to stop has locked for somebody. */
function lockedFor(person: PersonRecord, { school, shelf }: Wished): Set<string> {
  const segments = [...shelf.values()].map((exercise) => newSegment(exercise.id, exercise, school));
  const all: Routine = { ...newRoutine('shelf', 'Shelf', school), segments };
  return new Set(lockedSegments(all, person).keys());
}

/**
 * What is asked of a layout, for some people: nobody in particular, one, or a class. Doses are those of the goals of one person
 * alone; of several each keeps the own one in the hall.
 */
export function layAsk(wished: Wished, people: readonly PersonRecord[]): LayAsk {
  const { seconds, wishes, alike, school, shelf, today } = wished;
  const [first] = people;
  const alone = people.length === 1 ? first : undefined;
  const locked = new Set(people.flatMap((person) => [...lockedFor(person, wished)]));
  const bodies = people.map((person) => findingPerson(person, '', today));
  const learned = bodies.map((body) => body.learned ?? new Set<string>());
  return {
    seconds,
    wishes,
    alike,
    school,
    shelf: new Map([...shelf].filter(([id]) => !locked.has(id))),
    people: bodies.length === 0 ? [findingPerson(null, '', today)] : bodies,
    doses: alone === undefined ? new Map() : goalDoses(alone),
    corrected: new Set(people.flatMap((person) => correctedWith(person, shelf))),
    known: new Set([...shelf.keys()].filter((id) => learned.length > 0 && learned.every((own) => own.has(id)))),
    last: first === undefined ? [] : practisedBy(first),
  };
}

import { Injectable, inject } from '@angular/core';
import { catchError, firstValueFrom, of } from 'rxjs';
import {
  changedWords,
  dayNumber,
  facingWords,
  filmFromWords,
  findingPerson,
  plannedDays,
  pointsInWork,
  practisedRoutine,
  readStill,
  routineFindings,
  seenInWork,
  standardPerson,
  stillTerms,
  type CorrectionCount,
  type Exercise,
  type Finding,
  type PersonRecord,
  type Routine,
  type School,
  type SeenInWork,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import { Clock } from '../data/clock';
import { Repository } from '../data/repository';
import { schoolOf } from '../data/gathered';
import type { HandoutRequest, SeenPrinted } from '../print/handout';
import type { Paper } from '../print/papers';
import { BodyForms } from '../space/body-forms';
import { bodyPictures } from '../space/body-pictures';
import { readDay } from '../ui/day-words';
import type { Gift } from './gift';

/** Everything but the practices of people, as it is stored. */
export interface Shared {
  readonly shelf: ReadonlyMap<string, Exercise>;
  readonly schools: readonly School[];
}

/** The exercises that stand in some routines, by id. */
export const usedIn = (routines: readonly Routine[]): Set<string> =>
  new Set(
    routines.flatMap(({ segments }) => segments.flatMap((part) => (part.type === 'exercise' ? [part.exerciseId] : []))),
  );

/** @throws Error where it is nobody */
export function someone(person: PersonRecord | null): PersonRecord {
  if (person === null) throw new Error('It is made for one student: choose who it is for.');
  return person;
}

/** The plan of a person for what is given. @throws Error where there is none */
export function planOf({ person, practised }: Gift): PersonRecord['plans'][number] {
  const plan = someone(person).plans.find(({ routineId }) => routineId === practised.routine.id);
  if (plan === undefined) throw new Error(`${someone(person).student.name} has no plan for “${practised.name}”.`);
  return plan;
}

/** What is being worked on with somebody, with how often it was seen. */
const countsInWork = ({ corrections }: PersonRecord, today: string): CorrectionCount[] =>
  pointsInWork(
    corrections,
    corrections.map(({ checkpointId }) => checkpointId),
    today,
  );

/** The checkpoints that are being worked on with somebody, by id. */
export const inWorkOf = (person: PersonRecord, today: string): Set<string> =>
  new Set(countsInWork(person, today).map(({ checkpointId }) => checkpointId));

/** Lets the page go on. @throws the reason of the signal once it is aborted */
async function pause(stop: AbortSignal): Promise<void> {
  await new Promise((go) => setTimeout(go));
  stop.throwIfAborted();
}

/** Makes what is printed: the page to pin up, the pages to learn from and to teach from, the week card. */
@Injectable({ providedIn: 'root' })
export class PaperMaker {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly forms = inject(BodyForms);
  private readonly repository = inject(Repository);

  /**
   * A paper for one person, or for nobody in particular. The page goes on while it is drawn.
   * @param stop once it is aborted nothing more is drawn
   */
  async of(gift: Gift, shared: Shared, stop: AbortSignal): Promise<Paper> {
    const { kind, person, practised, options } = gift;
    const { PICTURE_PX, handout, pinUp, weekCard } = await import('../print/printing');
    if (kind === 'week-card') {
      const { student } = someone(person);
      const days = plannedDays(planOf(gift), someone(person), options.weeks);
      return weekCard({ student: student.name, routine: practised.name, cautions: student.cautions, days });
    }
    const { body } = person ?? standardPerson(this.clock.today());
    const drawn = await bodyPictures(this.forms.of(body), PICTURE_PX);
    try {
      const request = { ...(await this.request(gift, shared)), draw: drawn?.draw ?? null, pause: () => pause(stop) };
      return kind === 'pin-up' ? await pinUp(request) : await handout(request);
    } finally {
      drawn?.end();
    }
  }

  /** What a paper is made from: what is practised today, as in the hall, with what is noted of the body taken care of. */
  private async request(gift: Gift, { shelf, schools }: Shared): Promise<Omit<HandoutRequest, 'draw' | 'pause'>> {
    const { person, kind, options } = gift;
    const { routine, floor } = gift.practised;
    const today = this.clock.today();
    const school = person?.school ?? schoolOf(schools, routine.schoolId);
    const { routine: own, changed } = person === null ? { routine, changed: [] } : practisedRoutine(routine, person);
    const planned = person?.plans.some(({ routineId }) => routineId === routine.id) === true;
    const teacher = kind === 'teacher';
    return {
      routine: own,
      exercises: shelf,
      school,
      body: (person ?? standardPerson(today)).body,
      name: person?.student.name ?? '',
      cautions: [...changed.map(changedWords), ...(person?.student.cautions ?? [])],
      findings: teacher ? await this.findings(routine, person, school, shelf) : [],
      version: teacher ? 'teacher' : 'student',
      corrected: person === null ? new Set() : inWorkOf(person, today),
      turn: Math.floor(dayNumber(today) / 7),
      seen: person === null || !options.pictures ? [] : await this.seen(person, school, shelf),
      dosesOf: planned ? `the plan on ${readDay(today)}` : '',
      floor: floor === undefined ? null : { ...floor, front: facingWords(0, school.corners) },
    };
  }

  private async findings(
    routine: Routine,
    record: PersonRecord | null,
    school: School,
    exercises: ReadonlyMap<string, Exercise>,
  ): Promise<Finding[]> {
    const person = findingPerson(record, routine.id, this.clock.today());
    const used = usedIn([routine]);
    const { stature, mass, lengths } = person.body;
    const { shank, thigh, foot } = lengths;
    const effort = await firstValueFrom(
      this.compute
        .result('effort', {
          routine,
          drills: [...exercises.values()].filter(({ id }) => used.has(id)),
          school,
          body: { stature, mass, shank, thigh, foot },
          capacity: person.capacity,
        })
        .pipe(catchError(() => of(null))),
    );
    return routineFindings({ routine, exercises, school, person, effort, newId: () => this.clock.newId() });
  }

  /** Whether there is a picture of what is being worked on with somebody. */
  async isFilmed(person: PersonRecord): Promise<boolean> {
    const stills = await firstValueFrom(this.repository.stillsOf(person.student.id));
    return seenInWork(person.corrections, countsInWork(person, this.clock.today()), stills, () => []).length > 0;
  }

  /** The pictures of what is being worked on, with what they show. */
  private async seen(
    person: PersonRecord,
    school: School,
    shelf: ReadonlyMap<string, Exercise>,
  ): Promise<SeenPrinted[]> {
    const { student, corrections } = person;
    const stills = await firstValueFrom(this.repository.stillsOf(student.id));
    const found = seenInWork(corrections, countsInWork(person, this.clock.today()), stills, (still) => {
      const exercise = still.exerciseId === null ? null : (shelf.get(still.exerciseId) ?? null);
      return readStill(still, stillTerms(still, student, exercise, school)).points;
    });
    const printed = await Promise.all(found.map((one) => this.printed(one, shelf)));
    return printed.filter((one) => one !== null);
  }

  /** Null where the picture itself is not on this machine. */
  private async printed(
    { still, lines }: SeenInWork,
    shelf: ReadonlyMap<string, Exercise>,
  ): Promise<SeenPrinted | null> {
    const picture = await firstValueFrom(this.repository.one('pictures', still.id));
    if (picture === null) return null;
    const { stillImage } = await import('../print/printing');
    const { exerciseId, day, from } = still;
    const drill = exerciseId === null ? undefined : shelf.get(exerciseId)?.name;
    const title = `Seen on film on ${readDay(day)}, ${filmFromWords(from)}${drill === undefined ? '' : `: ${drill}`}`;
    return { exerciseId, image: await stillImage(picture.data, still), title, lines };
  }
}

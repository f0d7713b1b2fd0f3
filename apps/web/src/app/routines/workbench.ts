import { Injectable, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, debounceTime, map, of, switchMap } from 'rxjs';
import {
  builtInSchools,
  inSchool,
  lengthened,
  routineFindings,
  routineUnevenness,
  timeline,
  type Finding,
  type FindingContext,
  type Mend,
  type Routine,
  type Segment,
  findingPerson,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { PersonChoice } from '../data/person-choice';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import { breathThrough } from './breath-through';

const SETTLE_MS = 150;
const worse = { note: 0, doubt: 1, danger: 2 } as const;

/** The routine that is on the workbench, for whom, what it asks and what is wrong with it. One for each editor. */
@Injectable()
export class Workbench {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  private readonly compute = inject(Compute);
  readonly choice = inject(PersonChoice);

  readonly id = signal('');
  readonly edit = new Editing('routines', this.id, ({ name }) => `Change ${name}`);
  /** The routine as it is typed, whether it is kept yet or not. */
  readonly routine = this.edit.draft;
  readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  readonly school = computed(() => schoolOf(this.schools(), this.routine()?.schoolId));
  readonly line = computed(() => timeline(this.routine() ?? nothing));
  readonly names = computed(
    () => new Map((this.routine()?.segments ?? []).map((segment) => [segment.id, this.nameOf(segment)])),
  );
  /** Seconds of each segment with everything that belongs to it. */
  readonly lengths = computed(() => {
    const sums = new Map<string, number>();
    for (const span of this.line().spans) {
      sums.set(span.segmentId, (sums.get(span.segmentId) ?? 0) + span.durationMs / 1000);
    }
    return sums;
  });
  readonly breathAt = computed(() =>
    breathThrough(this.routine() ?? nothing, this.shelf(), this.choice.person().restingBreath, this.school()),
  );

  /** Whoever the routine is looked at for, with what is practised and planned already. */
  readonly person = computed(() => findingPerson(this.choice.record() ?? null, this.id(), this.clock.today()));

  private readonly question = computed(() => {
    const routine = this.routine();
    if (routine === null || routine === undefined) return null;
    const used = new Set(routine.segments.map((segment) => (segment.type === 'exercise' ? segment.exerciseId : '')));
    const drills = this.exercises().filter(({ id }) => used.has(id));
    const { body, capacity } = this.person();
    const { shank, thigh, foot } = body.lengths;
    const school = this.school();
    return { routine, drills, school, body: { stature: body.stature, mass: body.mass, shank, thigh, foot }, capacity };
  });
  /** What the routine asks of this person; null while it is not known. */
  readonly effort = toSignal(
    toObservable(this.question).pipe(
      debounceTime(SETTLE_MS),
      switchMap((question) =>
        question === null
          ? of(null)
          : this.compute.result('effort', question).pipe(
              map((result) => ({ ...result, of: question.routine })),
              catchError(() => of(null)),
            ),
      ),
    ),
    { initialValue: null },
  );
  readonly context = computed((): FindingContext | null => {
    const routine = this.routine();
    if (routine === null || routine === undefined) return null;
    return {
      routine,
      exercises: this.shelf(),
      school: this.school(),
      person: this.person(),
      effort: this.effort(),
      newId: () => this.clock.newId(),
    };
  });
  readonly findings = computed(() => {
    const context = this.context();
    return context === null || this.exercises().length === 0 ? [] : routineFindings(context);
  });
  readonly grades = computed(() => {
    const grades = new Map<string, Finding['grade']>();
    for (const { segmentId, grade } of this.findings()) {
      if (segmentId === null) continue;
      const old = grades.get(segmentId);
      if (old === undefined || worse[grade] > worse[old]) grades.set(segmentId, grade);
    }
    return grades;
  });

  /** Segments of exercises that are done more on one side, or one way, over the whole routine. */
  readonly uneven = computed(() => {
    const routine = this.routine();
    return new Set(routine == null ? [] : routineUnevenness(routine).flatMap(({ segmentIds }) => segmentIds));
  });

  readonly newId = (): string => this.clock.newId();
  /** Seconds of the routine that one step longer of a segment is worth. */
  readonly secondsOfStep = (id: string): number => {
    const routine = this.routine();
    const segment = routine?.segments.find((entry) => entry.id === id);
    if (routine === null || routine === undefined || segment === undefined) return 1;
    const longer = routine.segments.map((entry) => (entry.id === id ? lengthened(entry, 1, this.school()) : entry));
    return (timeline({ ...routine, segments: longer }).totalMs - this.line().totalMs) / 1000;
  };

  change(label: string, command: (routine: Routine) => Routine, mergeKey: string | null = null): void {
    void this.edit.change(label, command, mergeKey);
  }

  chooseSchool(id: string): void {
    const [from, to] = [this.school(), schoolOf(this.schools(), id)];
    this.change(`School ${to.name}`, (routine) => inSchool(routine, from, to));
  }

  mend(mend: Mend): void {
    this.change(mend.label, mend.command);
  }

  nameOf(segment: Segment): string {
    if (segment.type !== 'exercise') return segment.label !== '' ? segment.label : segment.type;
    return this.shelf().get(segment.exerciseId)?.name ?? 'Deleted exercise';
  }
}

const nothing: Routine = {
  id: '',
  name: '',
  note: '',
  schoolId: '',
  settleSeconds: 0,
  changeSeconds: 0,
  segments: [],
  rounds: [],
  room: null,
  keptOnPurpose: [],
};

import { Injectable, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap } from 'rxjs';
import { ankleRangeOf, bodyOfStudent, builtInSchools, capacityOfStudent, notedOf, restingBreathOf } from '@pomek/core';
import { Clock } from './clock';
import { Repository, schoolOf } from './repository';

/** On whose body and in which school things are looked at; stays while one goes from one to the next. */
@Injectable({ providedIn: 'root' })
export class PersonChoice {
  private readonly repository = inject(Repository);
  private readonly clock = inject(Clock);
  readonly studentId = signal<string | null>(null);
  private readonly chosenSchool = signal<string | null>(null);
  readonly side = signal<'left' | 'right'>('right');

  readonly students = toSignal(this.repository.students$, { initialValue: [] });
  readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  readonly student = computed(() => this.students().find((student) => student.id === this.studentId()) ?? null);
  readonly measures = toSignal(
    toObservable(this.studentId).pipe(
      switchMap((id) => (id === null ? of([]) : this.repository.ofStudent('measures', id))),
    ),
    { initialValue: [] },
  );
  readonly logs = toSignal(
    toObservable(this.studentId).pipe(
      switchMap((id) => (id === null ? of([]) : this.repository.ofStudent('logs', id))),
    ),
    { initialValue: [] },
  );
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  /** The chosen school, else that of the student, else the soft one. */
  readonly school = computed(() => schoolOf(this.schools(), this.chosenSchool() ?? this.student()?.schoolId));
  readonly person = computed(() => {
    const student = this.student();
    const measures = this.measures().filter((measure) => measure.studentId === student?.id);
    const practised = {
      logs: this.logs().filter((log) => log.studentId === student?.id),
      exercises: this.exercises(),
      school: schoolOf(this.schools(), student?.schoolId),
    };
    return {
      student,
      name: student?.name ?? 'A standard body',
      ...bodyOfStudent(student),
      capacity: capacityOfStudent(student, measures, this.clock.today(), practised),
      ankleRangeDeg: ankleRangeOf(measures),
      restingBreath: restingBreathOf(measures),
      noted: student === null ? [] : notedOf(student, measures, this.clock.today()),
    };
  });

  chooseStudent(id: string | null): void {
    this.studentId.set(id);
    this.chosenSchool.set(null);
  }

  chooseSchool(id: string): void {
    this.chosenSchool.set(id);
  }
}
export type Person = ReturnType<PersonChoice['person']>;

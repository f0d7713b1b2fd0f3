import { Injectable, computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { combineLatest, map, of, startWith, switchMap, type Observable } from 'rxjs';
import { personRecord, type PersonRecord, type StoredPerson, type Student } from '@pomek/core';
import { Clock } from './clock';
import { schoolOf } from './gathered';
import { Repository } from './repository';

/** Somebody’s record: undefined while not all of it is read, null where there is no such student. */
export type KnownPerson = PersonRecord | null | undefined;

/** What is stored of a student, whole: it tells nothing before everything was read. */
@Injectable({ providedIn: 'root' })
export class People {
  private readonly repository = inject(Repository);
  private readonly clock = inject(Clock);

  /** Everything stored of a student, as it changes; null where there is none. */
  stored(studentId: string): Observable<StoredPerson | null> {
    const { repository } = this;
    return combineLatest({
      student: repository.one('students', studentId),
      schools: repository.schools$,
      plans: repository.ofStudent('plans', studentId),
      decisions: repository.ofStudent('decisions', studentId),
      logs: repository.ofStudent('logs', studentId),
      corrections: repository.ofStudent('corrections', studentId),
      measures: repository.ofStudent('measures', studentId),
      routines: repository.routines$,
      exercises: repository.exercises$,
    }).pipe(
      map(({ student, schools, ...rest }) =>
        student === null ? null : { ...rest, student, school: schoolOf(schools, student.schoolId) },
      ),
    );
  }

  /** What is stored of whoever is chosen; undefined from the choice on until it is read. Called where signals are made. */
  storedOf(studentId: Signal<string | null>): Signal<StoredPerson | null | undefined> {
    return toSignal(
      toObservable(studentId).pipe(
        switchMap((id) => (id === null ? of(null) : this.stored(id).pipe(startWith(undefined)))),
      ),
    );
  }

  /**
   * The record of whoever is chosen, as of today.
   * @param asTyped the student as the page has it, where it is being edited
   */
  recordOf(
    stored: Signal<StoredPerson | null | undefined>,
    asTyped: Signal<Student | null | undefined> = computed(() => stored()?.student),
  ): Signal<KnownPerson> {
    return computed(() => {
      const [known, student] = [stored(), asTyped()];
      if (known == null || student == null) return known === undefined ? undefined : null;
      return personRecord({ ...known, student }, this.clock.today());
    });
  }
}

import { Injectable, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { bodyOfStudent, builtInSchools, standardPerson } from '@pomek/core';
import { Clock } from './clock';
import { People } from './people';
import { schoolOf } from './gathered';
import { OwnSchool } from './own-school';
import { Repository } from './repository';

/** On whose body and in which school things are looked at; stays while one goes from one to the next. */
@Injectable({ providedIn: 'root' })
export class PersonChoice {
  private readonly repository = inject(Repository);
  private readonly clock = inject(Clock);
  private readonly ownSchool = inject(OwnSchool);
  private readonly people = inject(People);
  readonly studentId = signal<string | null>(null);
  private readonly chosenSchool = signal<string | null>(null);
  readonly side = signal<'left' | 'right'>('right');

  readonly students = toSignal(this.repository.students$, { initialValue: [] });
  readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  readonly student = computed(() => this.students().find((student) => student.id === this.studentId()) ?? null);
  /** Whoever is chosen; undefined while not all of it is read, null where it is nobody. */
  readonly record = this.people.recordOf(this.people.storedOf(this.studentId));
  /** The chosen school, else that of the student, else the hall’s own. */
  readonly school = computed(() =>
    schoolOf(this.schools(), this.chosenSchool() ?? this.student()?.schoolId ?? this.ownSchool.school().id),
  );
  /** On whose body things are looked at; the standard one while nobody is chosen, and until somebody is read. */
  readonly person = computed(() => {
    const record = this.record() ?? null;
    return {
      student: record?.student ?? null,
      assumed: record?.assumed ?? bodyOfStudent(null).assumed,
      ...(record ?? standardPerson(this.clock.today())),
      name: record?.name ?? 'A standard body',
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

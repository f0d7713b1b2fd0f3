import { computed, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { stillTerms, type Still } from '@pomek/core';
import { People } from '../data/people';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';

/** Who is filmed at what: what a still, and a film that is followed from it, are read with. */
export class Filmed {
  private readonly repository = inject(Repository);
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  /** What is known of the student; undefined while it is not all there, null where there is none. */
  readonly known = inject(People).storedOf(this.studentId);
  /** Undefined while it is not known, null where there is none. */
  readonly student = computed(() => {
    const known = this.known();
    return known == null ? known : known.student;
  });
  readonly school = computed(() => schoolOf(this.schools(), this.student()?.schoolId));
  readonly exercise = computed(() => this.exercises().find(({ id }) => id === this.still()?.exerciseId) ?? null);
  readonly terms = computed(() => {
    const [still, student] = [this.still(), this.student()];
    return still == null || student == null ? null : stillTerms(still, student, this.exercise(), this.school());
  });

  constructor(
    readonly studentId: Signal<string>,
    private readonly still: Signal<Still | null | undefined>,
  ) {}
}

import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { builtInSchools } from '@pomek/core';
import { schoolOf } from './gathered';
import { remembered } from './remembered';
import { Repository } from './repository';

/** The school of the hall: new routines, students and lessons begin with it. The soft one until another is chosen. */
@Injectable({ providedIn: 'root' })
export class OwnSchool {
  private readonly schools = toSignal(inject(Repository).schools$, { initialValue: [...builtInSchools] });
  private readonly chosen = remembered('own-school');
  private readonly copied = remembered('own-school-copied');
  readonly school = computed(() => {
    const own = this.schools().find(({ id }) => id === this.chosen.value());
    return own ?? schoolOf(this.schools(), this.copied.value() ?? undefined);
  });

  choose(id: string): void {
    this.chosen.set(id);
    this.copied.set(id);
  }

  /** A copy takes the place of the school it was made of, as long as there is one: it may be undone. */
  chooseCopy(id: string): void {
    this.copied.set(this.school().id);
    this.chosen.set(id);
  }
}

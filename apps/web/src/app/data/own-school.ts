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
  readonly school = computed(() => schoolOf(this.schools(), this.chosen.value() ?? undefined));

  choose(id: string): void {
    this.chosen.set(id);
  }
}

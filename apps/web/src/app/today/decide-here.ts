import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Router } from '@angular/router';
import { strandVerdicts } from '@pomek/core';
import { People } from '../data/people';
import { Decisions } from '../decide/decisions';

/** What waits to be decided for one student, read when it is opened. */
@Component({
  selector: 'pk-decide-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Decisions],
  template: `
    @if (person(); as known) {
      <pk-decisions [person]="known" [verdicts]="verdicts()" (decided)="decided.emit()" (wanted)="goTo($event)" />
    } @else {
      <p class="soft" role="status">Reading what is known…</p>
    }
  `,
})
export class DecideHere {
  private readonly people = inject(People);
  private readonly router = inject(Router);
  readonly studentId = input.required<string>();
  readonly decided = output();
  protected readonly person = this.people.recordOf(this.people.storedOf(this.studentId));
  protected readonly verdicts = computed(() => {
    const person = this.person();
    return person == null ? [] : strandVerdicts(person);
  });

  protected goTo(part: string): void {
    void this.router.navigate(['/students', this.studentId()], { queryParams: { part } });
  }
}

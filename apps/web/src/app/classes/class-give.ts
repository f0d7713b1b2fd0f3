import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { chainOfClass, termOf, type Meeting, type TaughtClass } from '@pomek/core';
import { Everybody } from '../data/everybody';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { GiveBoard } from '../give/give-board';
import type { Practised } from '../give/gift';
import { lessonsOf } from '../give/lessons';
import { Empty } from '../ui/empty';

/** What everybody of a class is given, in one press. */
@Component({
  selector: 'pk-class-give',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Empty, GiveBoard, RouterLink],
  template: `
    @if (practised().length === 0) {
      <pk-empty
        heading="Nothing to give yet"
        text="Give the class a routine, or a chain of lessons, where it is set up. Then everybody can take it home."
      >
        <a [routerLink]="[]" [queryParams]="{ part: 'set-up' }">Set it up</a>
      </pk-empty>
    } @else {
      <pk-give-board [practised]="practised()" [people]="people()" [several]="true">
        @if (taught().roster.length === 0) {
          <p class="soft">Nobody belongs to this class yet: it is made for nobody in particular.</p>
        }
      </pk-give-board>
    }
  `,
})
export class ClassGive {
  private readonly everybody = inject(Everybody);
  private readonly ownSchool = inject(OwnSchool);
  readonly taught = input.required<TaughtClass>();
  readonly meetings = input.required<readonly Meeting[]>();
  private readonly chains = toSignal(inject(Repository).chains$, { initialValue: [] });

  protected readonly practised = computed((): Practised[] => {
    const { routineId, chainId, roster } = this.taught();
    const chain = this.chains().find(({ id }) => id === chainId);
    const routine = this.everybody.routines().find(({ id }) => id === routineId);
    const last = termOf(this.meetings(), roster).at(0)?.lesson;
    return [
      ...(chain === undefined
        ? []
        : lessonsOf(chainOfClass(chain, this.taught()), this.ownSchool.school(), this.everybody.shelf(), last)),
      ...(routine === undefined ? [] : [{ id: routine.id, name: routine.name, routine }]),
    ];
  });
  private readonly members = this.everybody.firstOf(computed(() => this.taught().roster));
  protected readonly people = computed(() => this.members()?.map(({ person }) => person) ?? null);
}

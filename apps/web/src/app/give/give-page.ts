import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Select } from 'primeng/select';
import { Everybody } from '../data/everybody';
import { OwnSchool } from '../data/own-school';
import { PersonChoice } from '../data/person-choice';
import { Repository } from '../data/repository';
import type { Practised } from './gift';
import { GiveBoard } from './give-board';
import { lessonsOf } from './lessons';

/** What is given of one routine, or of the lessons of one chain: to nobody in particular, or to a student. */
@Component({
  selector: 'pk-give-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, GiveBoard, RouterLink, Select],
  template: `
    @let it = practised();
    <div class="page panes give">
      @if (it === undefined) {
        <p class="soft" role="status">Reading…</p>
      } @else if (it.length === 0) {
        <h1>Nothing to give here</h1>
        <p>{{ why() }} <a routerLink="/routines">To the routines</a></p>
      } @else {
        <header class="row spread">
          <h1>Give “{{ name() }}”</h1>
          <a [routerLink]="back()">Back to it</a>
        </header>
        <pk-give-board class="main" [practised]="it" [people]="people()">
          <div class="field">
            <span class="label">For whom</span>
            <p-select
              ariaLabel="For whom"
              [options]="whom()"
              optionLabel="name"
              optionValue="id"
              [filter]="whom().length > 12"
              [ngModel]="choice.studentId()"
              (ngModelChange)="choice.chooseStudent($event)"
              appendTo="body"
            />
          </div>
        </pk-give-board>
      }
    </div>
  `,
  styles: `
    .give {
      display: flex;
      flex-direction: column;
      gap: 0.75rem;
    }
    .main {
      flex: 1;
      min-height: 0;
    }
    .field {
      display: grid;
      gap: 0.25rem;
    }
  `,
})
export class GivePage {
  private readonly everybody = inject(Everybody);
  private readonly ownSchool = inject(OwnSchool);
  private readonly repository = inject(Repository);
  protected readonly choice = inject(PersonChoice);
  readonly routineId = input<string>();
  readonly chainId = input<string>();

  private readonly routines = toSignal(this.repository.routines$);
  private readonly chains = toSignal(this.repository.chains$);
  private readonly plans = toSignal(this.repository.plans$, { initialValue: [] });

  /** The routine, or the lessons; undefined while it is not read. */
  protected readonly practised = computed((): readonly Practised[] | undefined => {
    const [routines, chains] = [this.routines(), this.chains()];
    if (routines === undefined || chains === undefined) return undefined;
    const routine = routines.find(({ id }) => id === this.routineId());
    if (routine !== undefined) return [{ id: routine.id, name: routine.name, routine }];
    const chain = chains.find(({ id }) => id === this.chainId());
    return chain === undefined ? [] : lessonsOf(chain, this.ownSchool.school(), this.everybody.shelf());
  });
  private readonly chain = computed(() => this.chains()?.find(({ id }) => id === this.chainId()) ?? null);
  protected readonly name = computed(() => this.chain()?.name ?? this.practised()?.[0]?.name ?? '');
  protected readonly back = computed(() => {
    const chain = this.chain();
    return chain === null ? ['/routines', this.routineId() ?? ''] : ['/routines/chains', chain.id];
  });
  protected readonly why = computed(() =>
    this.chain() === null ? 'It may have been removed.' : 'The chain has no pieces yet.',
  );
  /** Nobody, then those who have a plan for it, then all others. */
  protected readonly whom = computed(() => {
    const planned = new Set(
      this.plans()
        .filter(({ routineId }) => routineId === this.routineId())
        .map(({ studentId }) => studentId),
    );
    const all = this.choice
      .students()
      .map(({ id, name }) => ({ id, name: planned.has(id) ? `${name} (has a plan)` : name }));
    return [
      { id: null, name: 'Nobody in particular' },
      ...all.filter(({ id }) => planned.has(id)),
      ...all.filter(({ id }) => !planned.has(id)),
    ];
  });
  protected readonly people = computed(() => {
    const record = this.choice.record();
    return record === undefined ? null : record === null ? [] : [record];
  });
}

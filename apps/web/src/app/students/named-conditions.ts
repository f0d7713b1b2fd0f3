import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { Button } from 'primeng/button';
import { namedConditions, withCondition, type NamedCondition } from '@pomek/core';
import type { Editing } from '../data/editing';

/** Conditions that the cautions name and that are not noted yet: offered to be noted, never noted by themselves. */
@Component({
  selector: 'pk-named-conditions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @for (named of offered(); track named.condition) {
      <p class="offer" role="status">
        <span
          >“{{ named.words }}” names <strong>{{ words(named) }}</strong>, which is not noted yet.</span
        >
        <p-button [label]="'Note ' + words(named)" size="small" variant="outlined" (onClick)="note(named)" />
      </p>
    }
    @if (silent()) {
      <p class="small soft">
        Cautions are shown wherever this student practises, and change nothing by themselves. What is to change doses
        and exercises is noted under Body, beside this: a condition, or a limit of your own.
      </p>
    }
  `,
  styles: `
    .offer {
      display: flex;
      flex-wrap: wrap;
      gap: 0.35rem 0.75rem;
      align-items: center;
      margin: 0.25rem 0;
    }
  `,
})
export class NamedConditions {
  readonly edit = input.required<Editing<'students'>>();

  private readonly named = computed(() => namedConditions(this.edit().draft()?.cautions ?? []));
  protected readonly offered = computed(() => {
    const noted = this.edit().draft()?.conditions ?? [];
    return this.named().filter(({ condition }) => !noted.includes(condition));
  });
  /** There are cautions that name nothing that could act. */
  protected readonly silent = computed(
    () => (this.edit().draft()?.cautions.length ?? 0) > 0 && this.named().length === 0,
  );

  protected words({ condition, side }: NamedCondition): string {
    return side === null ? condition : `${condition} (${side})`;
  }

  protected note(named: NamedCondition): void {
    void this.edit().change(`Note ${named.condition}`, (stored) => withCondition(stored, named));
  }
}

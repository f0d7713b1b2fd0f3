import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import {
  handsCaution,
  handsOutcomes,
  handsSet,
  handsTests,
  handsTestWords,
  type HandsOutcome,
  type HandsTest,
  type HandsTested,
} from '@pomek/core';

/** An exercise in which one may have been tested. */
export interface Stand {
  readonly exerciseId: string;
  readonly name: string;
}

let count = 0;

/** What somebody’s hands found of the stand: a slow push, an arm lifted, an arm let fall. */
@Component({
  selector: 'pk-hands-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Select],
  template: `
    <details [open]="hands().length > 0">
      <summary>Somebody’s hands tested the stand</summary>
      <div class="stack">
        <p class="small soft">{{ caution }}</p>
        @if (stands().length > 1) {
          <p-select
            [options]="$any(stands())"
            optionLabel="name"
            optionValue="exerciseId"
            [ngModel]="exerciseId()"
            (ngModelChange)="chosen.set($event)"
            ariaLabel="In which exercise"
            appendTo="body"
          />
        }
        @for (test of tests; track test) {
          <fieldset class="choices">
            <legend>
              {{ words[test].name }}<span class="small soft how">{{ words[test].how }}</span>
            </legend>
            @for (outcome of outcomes; track outcome) {
              <span class="row">
                <input
                  type="radio"
                  [name]="id + test"
                  [id]="id + test + outcome"
                  [checked]="now()[test] === outcome"
                  (change)="tell(test, outcome)"
                />
                <label [for]="id + test + outcome">{{ words[test][outcome] }}</label>
              </span>
            }
            <span class="row">
              <input
                type="radio"
                [name]="id + test"
                [id]="id + test + 'none'"
                [checked]="now()[test] === undefined"
                (change)="tell(test, null)"
              />
              <label [for]="id + test + 'none'">not tested</label>
            </span>
          </fieldset>
        }
      </div>
    </details>
  `,
  styles: `
    .stack {
      padding-top: 0.5rem;
    }
    .how {
      display: block;
      font-weight: normal;
    }
    p-select {
      max-width: 24rem;
    }
  `,
})
export class HandsAnswers {
  readonly hands = input.required<readonly HandsTested[]>();
  readonly stands = input.required<readonly Stand[]>();
  readonly told = output<HandsTested[]>();

  protected readonly id = `hands-${(count += 1)}-`;
  protected readonly tests = handsTests;
  protected readonly outcomes = handsOutcomes;
  protected readonly words = handsTestWords;
  protected readonly caution = handsCaution;
  protected readonly chosen = signal<string | null>(null);
  protected readonly exerciseId = computed(
    () => this.chosen() ?? this.hands()[0]?.exerciseId ?? this.stands()[0]?.exerciseId ?? null,
  );
  protected readonly now = computed((): Partial<Record<HandsTest, HandsOutcome>> => {
    const here = this.hands().filter(({ exerciseId }) => exerciseId === this.exerciseId());
    return Object.fromEntries(here.map(({ test, outcome }) => [test, outcome]));
  });

  protected tell(test: HandsTest, outcome: HandsOutcome | null): void {
    this.told.emit(handsSet(this.hands(), test, this.exerciseId(), outcome));
  }
}

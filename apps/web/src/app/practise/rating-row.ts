import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

let count = 0;

/** Eleven numbers from 0 to 10 in a row with the words for the chosen one. */
@Component({
  selector: 'pk-rating',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>
        {{ name() }} <span class="soft">{{ word() }}</span>
      </legend>
      <div class="numbers">
        @for (word of words(); track $index) {
          <label [class.on]="value() === $index">
            <input
              type="radio"
              [name]="id"
              [value]="$index"
              [checked]="value() === $index"
              (change)="valueChange.emit($index)"
              [attr.aria-label]="name() + ' ' + $index + ', ' + word"
            />
            {{ $index }}
          </label>
        }
      </div>
    </fieldset>
  `,
  styles: `
    fieldset {
      border: 0;
      margin: 0;
      padding: 0;
    }
    legend {
      font: 600 1.25rem var(--pk-display);
      padding: 0 0 0.4rem;
    }
    .numbers {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(2.6rem, 1fr));
      gap: 0.35rem;
    }
    label {
      position: relative;
      display: grid;
      place-items: center;
      height: 3.4rem;
      font-size: 1.4rem;
      border: 1px solid var(--pk-line-strong);
      border-radius: 4px;
      background: var(--pk-sheet);
      cursor: pointer;
    }
    label.on {
      background: var(--pk-pine);
      color: var(--pk-sheet);
      font-weight: 700;
    }
    label:focus-within {
      outline: 3px solid var(--pk-focus);
      outline-offset: 2px;
    }
    input {
      position: absolute;
      inset: 0;
      opacity: 0;
      cursor: pointer;
    }
  `,
})
export class RatingRow {
  readonly name = input.required<string>();
  readonly words = input.required<readonly string[]>();
  readonly value = input.required<number | null>();
  readonly valueChange = output<number>();
  protected readonly id = `rating-${++count}`;
  protected readonly word = computed(() => {
    const value = this.value();
    return value === null ? '' : `${value}: ${this.words()[value] ?? ''}`;
  });
}

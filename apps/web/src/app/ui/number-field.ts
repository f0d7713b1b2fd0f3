import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { followsStored } from './follows-stored';

let count = 0;

/**
 * A number with its label, unit and bounds. It shows what its owner types until it is left; gives out
 * only values within the bounds, and says what is wrong with others.
 */
@Component({
  selector: 'pk-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputText],
  template: `
    <div class="field" [class.inline]="inline()">
      <label [for]="id" [class.hidden-text]="quiet()">{{ label() }}</label>
      <div class="line">
        <!-- Its text is its owner's too; only the reading as a number is left to the control. -->

        <input
          pInputText
          type="number"
          data-app-undo
          inputmode="decimal"
          [id]="id"
          [min]="min()"
          [max]="max()"
          [step]="step()"
          [ngModel]="text()"
          (ngModelChange)="typed($event)"
          (blur)="left()"
          [attr.aria-invalid]="wrong() !== null"
          [attr.aria-describedby]="wrong() === null ? null : id + '-wrong'"
        />
        @if (unit() !== '') {
          <span class="unit soft small">{{ unit() }}</span>
        }
      </div>
      @if (wrong(); as message) {
        <span class="wrong" [id]="id + '-wrong'">{{ message }}</span>
      }
    </div>
  `,
  styles: `
    .inline {
      grid-template-columns: 1fr auto;
      align-items: center;

      input {
        min-width: 3.6rem;
        max-width: 4.2rem;
        padding: 0.15rem 0.4rem;
      }
      .unit {
        min-width: 1.2rem;
      }
      .wrong {
        grid-column: 1 / -1;
      }
    }
    .line {
      display: flex;
      align-items: center;
      gap: 0.4rem;
    }
    input {
      min-width: 4.5rem;
      max-width: 7rem;
      font-variant-numeric: tabular-nums;
    }
    .unit {
      white-space: nowrap;
    }
  `,
})
export class NumberField {
  readonly label = input.required<string>();
  readonly value = input.required<number | null>();
  readonly unit = input('');
  readonly min = input(0);
  readonly max = input(9999);
  readonly step = input(1);
  readonly whole = input(true);
  readonly optional = input(false);
  /** The label is for screen readers only, since the place says it. */
  readonly quiet = input(false);
  /** Label and field on one line, small. */
  readonly inline = input(false);
  readonly valueChange = output<number | null>();

  protected readonly id = `number-${++count}`;
  /** What its owner types; null when it shows its value. */
  private readonly own = signal<{ readonly value: number | null } | null>(null);
  protected readonly text = computed(() => {
    const own = this.own();
    return own === null ? this.value() : own.value;
  });
  protected readonly wrong = computed(() => this.problem(this.text()));

  constructor() {
    followsStored(() => this.own.set(null));
  }

  protected typed(value: number | null): void {
    this.own.set({ value });
    if (this.problem(value) === null) this.valueChange.emit(value);
  }

  /** What is wrong stays, with what is wrong about it. */
  protected left(): void {
    if (this.wrong() === null) this.own.set(null);
  }

  private problem(value: number | null): string | null {
    if (value === null) return this.optional() ? null : `${this.label()}: give a number.`;
    if (this.whole() && !Number.isInteger(value)) return `${this.label()}: a whole number, please.`;
    const within = value >= this.min() && value <= this.max();
    return within ? null : `${this.label()}: from ${this.min()} to ${this.max()}.`;
  }
}

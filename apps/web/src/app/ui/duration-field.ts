import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { durationWords, parseDuration } from '@pomek/core';

let count = 0;

/** A length of time, typed as 90, 1:30 or 2 min; arrow keys move it by a step. */
@Component({
  selector: 'pk-duration',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputText],
  template: `
    <div class="field">
      <label [for]="id" [class.hidden-text]="quiet()">{{ label() }}</label>
      <input
        pInputText
        type="text"
        data-app-undo
        autocomplete="off"
        [id]="id"
        [ngModel]="text()"
        (ngModelChange)="typed($event)"
        (blur)="tidy()"
        (keydown.arrowUp)="move($event, 1)"
        (keydown.arrowDown)="move($event, -1)"
        [attr.aria-invalid]="wrong() !== null"
        [attr.aria-describedby]="wrong() === null ? null : id + '-wrong'"
      />
      @if (wrong(); as message) {
        <span class="wrong" [id]="id + '-wrong'">{{ message }}</span>
      }
    </div>
  `,
  styles: `
    input {
      width: 6.5rem !important;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class DurationField {
  readonly label = input.required<string>();
  /** The label is for screen readers only, since the place says it. */
  readonly quiet = input(false);
  /** Seconds. */
  readonly value = input.required<number>();
  readonly min = input(0);
  readonly max = input(7200);
  readonly step = input(5);
  readonly valueChange = output<number>();

  protected readonly id = `duration-${++count}`;
  protected readonly text = signal('');
  protected readonly wrong = computed(() => this.problem(this.text()));

  constructor() {
    effect(() => {
      const value = this.value();
      if (parseDuration(untracked(this.text)) !== value) this.text.set(durationWords(value));
    });
  }

  protected typed(text: string): void {
    this.text.set(text);
    const seconds = parseDuration(text);
    if (seconds !== null && this.problem(text) === null && seconds !== this.value()) this.valueChange.emit(seconds);
  }

  protected tidy(): void {
    if (this.problem(this.text()) === null) this.text.set(durationWords(this.value()));
  }

  protected move(event: Event, direction: number): void {
    event.preventDefault();
    // What stands in the field, since quick presses come before the value has gone round.
    const shown = parseDuration(this.text()) ?? this.value();
    const seconds = Math.max(this.min(), Math.min(this.max(), shown + direction * this.step()));
    this.text.set(durationWords(seconds));
    if (seconds !== shown) this.valueChange.emit(seconds);
  }

  private problem(text: string): string | null {
    const seconds = parseDuration(text);
    if (seconds === null) return `${this.label()}: a time like 90, 1:30 or 2 min.`;
    if (seconds >= this.min() && seconds <= this.max()) return null;
    return `${this.label()}: from ${durationWords(this.min())} to ${durationWords(this.max())}.`;
  }
}

import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { durationWords, parseDuration } from '@pomek/core';
import { followsStored } from './follows-stored';
import { TextField } from '../ui/text-field';

let count = 0;

/** A length of time, typed as 90, 1:30 or 2 min; arrow keys move it by a step. It shows what its owner types until it is left. */
@Component({
  selector: 'pk-duration',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, TextField],
  template: `
    <div class="field">
      <label [for]="id" [class.hidden-text]="quiet()">{{ label() }}</label>
      <input
        pInputText
        type="text"
        data-app-undo
        autocomplete="off"
        [id]="id"
        [pkText]="text()"
        (pkTextChange)="typed($event)"
        (blur)="left()"
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
  /** What its owner types; null when it shows its value. */
  private readonly own = signal<string | null>(null);
  protected readonly text = computed(() => this.own() ?? durationWords(this.value()));
  protected readonly wrong = computed(() => this.problem(this.text()));

  constructor() {
    followsStored(() => this.own.set(null));
  }

  protected typed(text: string): void {
    this.own.set(text);
    const seconds = parseDuration(text);
    if (seconds !== null && this.problem(text) === null) this.valueChange.emit(seconds);
  }

  /** What is wrong stays, with what is wrong about it. */
  protected left(): void {
    if (this.wrong() === null) this.own.set(null);
  }

  protected move(event: Event, direction: number): void {
    event.preventDefault();
    // What stands in the field, since quick presses come before the value has gone round.
    const shown = parseDuration(this.text()) ?? this.value();
    const seconds = Math.max(this.min(), Math.min(this.max(), shown + direction * this.step()));
    this.own.set(durationWords(seconds));
    if (seconds !== shown) this.valueChange.emit(seconds);
  }

  private problem(text: string): string | null {
    const seconds = parseDuration(text);
    if (seconds === null) return `${this.label()}: a time like 90, 1:30 or 2 min.`;
    if (seconds >= this.min() && seconds <= this.max()) return null;
    return `${this.label()}: from ${durationWords(this.min())} to ${durationWords(this.max())}.`;
  }
}

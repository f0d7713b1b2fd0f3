import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { OwnText } from './own-text';
import { typedTime } from './typed-time';

/** How far an arrow key moves a time, min. */
const STEP = 5;
const DAY_MINUTES = 24 * 60;
let count = 0;

/** A time of day, typed as `19:00` or `7 pm`; arrow keys move it by five minutes. It stands as times are written everywhere else. */
@Component({
  selector: 'pk-time',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText],
  template: `
    <div class="field">
      <label [for]="id">{{ label() }}</label>
      <input
        #field
        pInputText
        type="text"
        data-app-undo
        data-clock
        autocomplete="off"
        [id]="id"
        [value]="own.text()"
        (input)="own.typed(field.value)"
        (blur)="own.left()"
        (keydown.arrowUp)="move($event, 1)"
        (keydown.arrowDown)="move($event, -1)"
        [attr.aria-invalid]="own.wrong() !== ''"
        [attr.aria-describedby]="own.wrong() === '' ? null : id + '-wrong'"
      />
      @if (own.wrong() !== '') {
        <span class="wrong" [id]="id + '-wrong'">{{ own.wrong() }}</span>
      }
    </div>
  `,
  styles: `
    input {
      width: 6rem !important;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class TimeField {
  readonly label = input.required<string>();
  /** HH:MM. */
  readonly value = input.required<string>();
  readonly valueChange = output<string>();

  protected readonly id = `time-field-${++count}`;
  protected readonly own = new OwnText({
    value: () => this.value(),
    written: (time) => time,
    read: (text) => typedTime(text)!,
    problem: (text) => (typedTime(text) === null ? `${this.label()}: a time like 19:00 or 7 pm.` : ''),
    changed: (time) => this.valueChange.emit(time),
  });

  protected move(event: Event, steps: number): void {
    event.preventDefault();
    // What stands in the field, since quick presses come before the value has gone round.
    const [hours, minutes] = (typedTime(this.own.text()) ?? this.value()).split(':').map(Number);
    const next = (hours! * 60 + minutes! + steps * STEP + DAY_MINUTES) % DAY_MINUTES;
    this.own.put([Math.floor(next / 60), next % 60].map((part) => String(part).padStart(2, '0')).join(':'));
  }
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { addMinutes, format, parse } from 'date-fns';
import { InputText } from 'primeng/inputtext';
import { OwnText } from './own-text';
import { typedTime } from './typed-time';

/** How far an arrow key moves a time, min. */
const STEP = 5;
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
    const shown = typedTime(this.own.text()) ?? this.value();
    // On a day on which no clock is changed.
    const time = parse(shown, 'HH:mm', new Date(2000, 0, 1));
    this.own.put(format(addMinutes(time, steps * STEP), 'HH:mm'));
  }
}

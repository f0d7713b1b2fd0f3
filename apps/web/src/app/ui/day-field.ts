import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { addDays, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import { DatePicker } from 'primeng/datepicker';
import { InputText } from 'primeng/inputtext';
import { Popover } from 'primeng/popover';
import { Clock } from '../data/clock';
import { readDay } from './day-words';
import { OwnText } from './own-text';
import { typedDay } from './typed-day';

let count = 0;

/**
 * A day, typed as `12 Mar 2026` or chosen from a calendar; arrow keys move it by one. It stands as days are written
 * everywhere else, and shows what its owner types until it is left.
 */
@Component({
  selector: 'pk-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DatePicker, FormsModule, InputText, Popover],
  template: `
    <div class="field">
      <label [for]="id">{{ label() }}</label>
      <span class="line">
        <input
          #field
          pInputText
          type="text"
          data-app-undo
          data-day
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
        <p-button
          icon="pi pi-calendar"
          variant="text"
          ariaLabel="Choose from a calendar"
          title="Choose from a calendar"
          (onClick)="calendar.toggle($event)"
        />
      </span>
      @if (own.wrong() !== '') {
        <span class="wrong" [id]="id + '-wrong'">{{ own.wrong() }}</span>
      }
    </div>
    <p-popover #calendar appendTo="body" ariaLabel="Calendar">
      <p-datepicker
        [inline]="true"
        [panelStyle]="{ border: '0', padding: '0' }"
        [firstDayOfWeek]="1"
        [minDate]="least()"
        [ngModel]="date()"
        (ngModelChange)="choose($event); calendar.hide()"
      />
    </p-popover>
  `,
  styles: `
    .line {
      display: flex;
      align-items: center;
    }
    input {
      width: 8.5rem !important;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class DayField {
  private readonly clock = inject(Clock);
  readonly label = input.required<string>();
  /** What it is called where something is wrong with it; its label where that says it. */
  readonly called = input<string>();
  /** YYYY-MM-DD; empty: none. */
  readonly value = input.required<string>();
  /** The first day that may be chosen, YYYY-MM-DD. */
  readonly min = input<string>();
  /** It may be left empty. */
  readonly optional = input(false);
  /** YYYY-MM-DD; empty where it may be and is. */
  readonly valueChange = output<string>();

  protected readonly id = `day-field-${++count}`;
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly own = new OwnText({
    value: () => this.value(),
    written: (day) => (day === '' ? '' : readDay(day)),
    read: (text) => this.read(text) ?? '',
    problem: (text) => this.problem(text),
    changed: (day) => this.valueChange.emit(day),
  });
  protected readonly date = computed(() => (this.value() === '' ? null : parseISO(this.value())));
  protected readonly least = computed(() => {
    const min = this.min();
    return min === undefined ? null : parseISO(min);
  });

  protected move(event: Event, days: number): void {
    event.preventDefault();
    // What stands in the field, since quick presses come before the value has gone round.
    const shown = this.read(this.own.text()) ?? this.clock.today();
    this.own.put(this.clock.dayOf(addDays(parseISO(shown), days)));
  }

  protected choose(date: Date): void {
    this.own.put(this.clock.dayOf(date));
    this.field().nativeElement.focus();
  }

  private read(text: string): string | null {
    return typedDay(text, this.value() === '' ? this.clock.today() : this.value());
  }

  private problem(text: string): string {
    const name = this.called() ?? this.label();
    if (text.trim() === '' && this.optional()) return '';
    const day = this.read(text);
    if (day === null) return `${name}: a day like ${readDay(this.clock.today())}.`;
    const min = this.min();
    return min !== undefined && day < min ? `${name}: not before ${readDay(min)}.` : '';
  }
}

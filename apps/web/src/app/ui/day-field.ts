import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  input,
  output,
  signal,
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
import { followsStored } from './follows-stored';
import { TextField } from './text-field';
import { typedDay } from './typed-day';

let count = 0;

/**
 * A day, typed as `12 Mar 2026` or chosen from a calendar; arrow keys move it by one. It stands as days are written
 * everywhere else, and shows what its owner types until it is left.
 */
@Component({
  selector: 'pk-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DatePicker, FormsModule, InputText, Popover, TextField],
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
          [pkText]="text()"
          (pkTextChange)="typed($event)"
          (blur)="left()"
          (keydown.arrowUp)="move($event, 1)"
          (keydown.arrowDown)="move($event, -1)"
          [attr.aria-invalid]="wrong() !== ''"
          [attr.aria-describedby]="wrong() === '' ? null : id + '-wrong'"
        />
        <p-button
          icon="pi pi-calendar"
          variant="text"
          ariaLabel="Choose from a calendar"
          title="Choose from a calendar"
          (onClick)="calendar.toggle($event)"
        />
      </span>
      @if (wrong() !== '') {
        <span class="wrong" [id]="id + '-wrong'">{{ wrong() }}</span>
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
  /** What its owner types; null when it shows its value. */
  private readonly own = signal<string | null>(null);
  protected readonly text = computed(() => this.own() ?? (this.value() === '' ? '' : readDay(this.value())));
  protected readonly wrong = computed(() => this.problem(this.text()));
  protected readonly date = computed(() => (this.value() === '' ? null : parseISO(this.value())));
  protected readonly least = computed(() => {
    const min = this.min();
    return min === undefined ? null : parseISO(min);
  });

  constructor() {
    followsStored(() => this.own.set(null));
  }

  protected typed(text: string): void {
    this.own.set(text);
    if (this.problem(text) === '') this.give(this.read(text) ?? '');
  }

  /** What is wrong stays, with what is wrong about it. */
  protected left(): void {
    if (this.wrong() === '') this.own.set(null);
  }

  protected move(event: Event, days: number): void {
    event.preventDefault();
    // What stands in the field, since quick presses come before the value has gone round.
    const shown = this.read(this.text()) ?? this.clock.today();
    const next = this.clock.dayOf(addDays(parseISO(shown), days));
    if (this.problem(readDay(next)) !== '') return;
    this.own.set(readDay(next));
    this.give(next);
  }

  protected choose(date: Date): void {
    this.own.set(null);
    this.give(this.clock.dayOf(date));
    this.field().nativeElement.focus();
  }

  private give(day: string): void {
    if (day !== this.value()) this.valueChange.emit(day);
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

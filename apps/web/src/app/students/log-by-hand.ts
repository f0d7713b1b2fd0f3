import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import * as z from 'zod';
import {
  csvFields,
  csvLogs,
  painPlaces,
  strandSegments,
  type CsvField,
  type Exercise,
  type Plan,
  type PracticeLog,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { keptDraft } from '../data/kept-draft';
import { DayField } from '../ui/day-field';
import { TextField } from '../ui/text-field';

const HandRowSchema = z.object({
  exercise: z.string(),
  side: z.string(),
  done: z.string(),
  asked: z.string(),
  /** Effort of this exercise alone; empty: as the practice. */
  effort: z.string().default(''),
});
type HandRow = z.infer<typeof HandRowSchema>;
const HandSchema = z.object({
  /** Null is today. */
  day: z.string().nullable(),
  effort: z.string(),
  pain: z.string(),
  painPlace: z.string().nullable().default(null),
  note: z.string(),
  rows: z.array(HandRowSchema).min(1),
});
const blank: HandRow = { exercise: '', side: '', done: '', asked: '', effort: '' };
const nothing: z.infer<typeof HandSchema> = {
  day: null,
  effort: '',
  pain: '',
  painPlace: null,
  note: '',
  rows: [blank],
};

/** A past practice written down, or one that is put right; read by the same rules as a table. */
@Component({
  selector: 'pk-log-by-hand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayField, FormsModule, InputText, Select, TextField],
  template: `
    @let it = draft.value();
    <form class="stack" (submit)="keep($event)" aria-label="A practice by hand">
      <div class="row top">
        <pk-day label="Day" [value]="day()" (valueChange)="draft.set({ day: $event })" />
        <div class="field">
          <label for="hand-effort">Effort, 0 to 10</label>
          <input
            pInputText
            id="hand-effort"
            size="4"
            [pkText]="it.effort"
            (pkTextChange)="draft.set({ effort: $event })"
          />
        </div>
        <div class="field">
          <label for="hand-pain">Pain, 0 to 10</label>
          <input pInputText id="hand-pain" size="4" [pkText]="it.pain" (pkTextChange)="draft.set({ pain: $event })" />
        </div>
        @if (hurts()) {
          <div class="field">
            <span class="label">Where</span>
            <p-select
              [options]="places"
              [showClear]="true"
              [ngModel]="it.painPlace"
              (ngModelChange)="draft.set({ painPlace: $event })"
              name="pain-place"
              placeholder="Not said"
              ariaLabel="Where it hurts"
              appendTo="body"
            />
          </div>
        }
        <div class="field note">
          <label for="hand-note">Note</label>
          <input
            pInputText
            id="hand-note"
            [pkText]="it.note"
            (pkTextChange)="draft.set({ note: $event })"
            maxlength="2000"
          />
        </div>
      </div>
      @for (row of rows(); track $index) {
        <div class="row">
          <p-select
            [options]="names()"
            [filter]="false"
            [ngModel]="row.exercise"
            (ngModelChange)="set($index, { exercise: $event })"
            [name]="'exercise-' + $index"
            placeholder="Exercise"
            [ariaLabel]="'Exercise of line ' + ($index + 1)"
            appendTo="body"
          />
          <p-select
            [options]="sides"
            optionLabel="label"
            optionValue="value"
            [ngModel]="row.side"
            (ngModelChange)="set($index, { side: $event })"
            [name]="'side-' + $index"
            [ariaLabel]="'Side of line ' + ($index + 1)"
            appendTo="body"
          />
          <input
            pInputText
            size="7"
            [attr.aria-label]="'Done in line ' + ($index + 1)"
            placeholder="done"
            [pkText]="row.done"
            (pkTextChange)="set($index, { done: $event })"
          />
          <input
            pInputText
            size="7"
            [attr.aria-label]="'Asked in line ' + ($index + 1)"
            placeholder="asked"
            [pkText]="row.asked"
            (pkTextChange)="set($index, { asked: $event })"
          />
          @if (rows().length > 1) {
            <input
              pInputText
              size="8"
              [attr.aria-label]="'Effort of line ' + ($index + 1) + ' alone'"
              placeholder="own effort"
              [pkText]="row.effort"
              (pkTextChange)="set($index, { effort: $event })"
            />
          }
          <p-button
            icon="pi pi-times"
            variant="text"
            size="small"
            type="button"
            [ariaLabel]="'Remove line ' + ($index + 1)"
            [disabled]="rows().length === 1"
            (onClick)="drop($index)"
          />
        </div>
      }
      <p class="small soft">
        Times for holds (90, 1:30, 2 min), a number for repetitions and breaths. “Asked” and an effort of its own may
        stay empty.
      </p>
      @for (problem of problems(); track $index) {
        <p class="wrong" role="alert">{{ problem }}</p>
      }
      <div class="row">
        <p-button
          label="Another line"
          icon="pi pi-plus"
          variant="outlined"
          size="small"
          type="button"
          (onClick)="add()"
        />
        <p-button label="Save it" size="small" type="submit" />
        <p-button label="Cancel" size="small" variant="text" type="button" (onClick)="cancel()" />
      </div>
    </form>
  `,
  styles: `
    .top {
      align-items: flex-end;
    }
    .note {
      flex: 1 1 10rem;
    }
  `,
})
export class LogByHand {
  private readonly clock = inject(Clock);
  readonly studentId = input.required<string>();
  readonly exercises = input.required<readonly Exercise[]>();
  readonly plans = input.required<readonly Plan[]>();
  readonly made = output<PracticeLog>();
  readonly cancelled = output();

  /** What is written so far: it outlives leaving. */
  protected readonly draft = keptDraft(() => `by hand ${this.studentId()}`, HandSchema, nothing);
  protected readonly day = computed(() => this.draft.value().day ?? this.clock.today());
  protected readonly rows = computed(() => this.draft.value().rows);
  protected readonly problems = signal<readonly string[]>([]);
  protected readonly places = [...painPlaces];
  protected readonly hurts = computed(() => Number(this.draft.value().pain.replace(',', '.')) > 0);
  protected readonly names = computed(() => this.exercises().map((exercise) => exercise.name));
  protected readonly sides = [
    { label: 'both', value: '' },
    { label: 'left', value: 'left' },
    { label: 'right', value: 'right' },
  ];

  protected set(index: number, part: Partial<HandRow>): void {
    this.draft.set({ rows: this.rows().map((row, at) => (at === index ? { ...row, ...part } : row)) });
  }

  protected add(): void {
    this.draft.set({ rows: [...this.rows(), { ...blank, exercise: this.rows().at(-1)?.exercise ?? '' }] });
  }

  protected drop(index: number): void {
    this.draft.set({ rows: this.rows().filter((_, at) => at !== index) });
  }

  protected cancel(): void {
    this.draft.clear();
    this.cancelled.emit();
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const { effort, pain, painPlace, note } = this.draft.value();
    const cells = (row: HandRow): Readonly<Record<CsvField, string>> => ({
      day: this.day(),
      exercise: row.exercise,
      side: row.side,
      done: row.done,
      asked: row.asked,
      effort,
      'own effort': this.rows().length > 1 ? row.effort : '',
      pain,
      'pain place': painPlace ?? '',
      note: '',
    });
    const table = {
      columns: csvFields,
      rows: this.rows().map((row, at) => ({ line: at + 1, cells: csvFields.map((field) => cells(row)[field]) })),
      problems: [],
    };
    const segments = strandSegments(this.plans());
    const read = csvLogs(table, {
      mapping: Object.fromEntries(csvFields.map((field, column) => [field, column])),
      exercises: this.exercises(),
      studentId: this.studentId(),
      idOf: () => this.clock.newId(),
      segmentOf: (id) => segments.get(id) ?? id,
      today: this.clock.today(),
    });
    this.problems.set(read.problems.map(({ line, message }) => `Line ${line}: ${message}`));
    const [log] = read.logs;
    if (read.problems.length > 0 || log === undefined) return;
    this.made.emit({ ...log, note, enteredAt: this.clock.now().toISOString() });
    this.draft.clear();
  }
}

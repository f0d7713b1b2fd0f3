import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { csvLogs, strandSegments, type Exercise, type Plan, type PracticeLog } from '@pomek/core';
import { Clock } from '../data/clock';

interface HandRow {
  readonly exercise: string;
  readonly side: string;
  readonly done: string;
  readonly asked: string;
}
const blank: HandRow = { exercise: '', side: '', done: '', asked: '' };

/** A past practice written down, or one that is put right; read by the same rules as a table. */
@Component({
  selector: 'pk-log-by-hand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, Select],
  template: `
    <form class="stack" (submit)="keep($event)" aria-label="A practice by hand">
      <div class="row top">
        <div class="field">
          <label for="hand-day">Day</label>
          <input pInputText type="date" id="hand-day" name="day" [ngModel]="day()" (ngModelChange)="day.set($event)" />
        </div>
        <div class="field">
          <label for="hand-effort">Effort, 0 to 10</label>
          <input
            pInputText
            id="hand-effort"
            name="effort"
            size="4"
            [ngModel]="effort()"
            (ngModelChange)="effort.set($event)"
          />
        </div>
        <div class="field">
          <label for="hand-pain">Pain, 0 to 10</label>
          <input pInputText id="hand-pain" name="pain" size="4" [ngModel]="pain()" (ngModelChange)="pain.set($event)" />
        </div>
        <div class="field note">
          <label for="hand-note">Note</label>
          <input
            pInputText
            id="hand-note"
            name="note"
            [ngModel]="note()"
            (ngModelChange)="note.set($event)"
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
            [name]="'done-' + $index"
            [ngModel]="row.done"
            (ngModelChange)="set($index, { done: $event })"
          />
          <input
            pInputText
            size="7"
            [attr.aria-label]="'Asked in line ' + ($index + 1)"
            placeholder="asked"
            [name]="'asked-' + $index"
            [ngModel]="row.asked"
            (ngModelChange)="set($index, { asked: $event })"
          />
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
        Times for holds (90, 1:30, 2 min), a number for repetitions and breaths. “Asked” may stay empty.
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
        <p-button label="Keep it" size="small" type="submit" />
        <p-button label="Cancel" size="small" variant="text" type="button" (onClick)="cancelled.emit()" />
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

  protected readonly day = signal(this.clock.today());
  protected readonly effort = signal('');
  protected readonly pain = signal('');
  protected readonly note = signal('');
  protected readonly rows = signal<readonly HandRow[]>([blank]);
  protected readonly problems = signal<readonly string[]>([]);
  protected readonly names = computed(() => this.exercises().map((exercise) => exercise.name));
  protected readonly sides = [
    { label: 'both', value: '' },
    { label: 'left', value: 'left' },
    { label: 'right', value: 'right' },
  ];

  protected set(index: number, part: Partial<HandRow>): void {
    this.rows.update((rows) => rows.map((row, at) => (at === index ? { ...row, ...part } : row)));
  }

  protected add(): void {
    this.rows.update((rows) => [...rows, { ...blank, exercise: rows.at(-1)?.exercise ?? '' }]);
  }

  protected drop(index: number): void {
    this.rows.update((rows) => rows.filter((_, at) => at !== index));
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const table = {
      columns: ['day', 'exercise', 'side', 'done', 'asked', 'effort', 'pain', 'note'],
      rows: this.rows().map((row) => [
        this.day(),
        row.exercise,
        row.side,
        row.done,
        row.asked,
        this.effort(),
        this.pain(),
        '',
      ]),
    };
    const mapping = { day: 0, exercise: 1, side: 2, done: 3, asked: 4, effort: 5, pain: 6, note: 7 };
    const segments = strandSegments(this.plans());
    const read = csvLogs(
      table,
      mapping,
      this.exercises(),
      this.studentId(),
      () => this.clock.newId(),
      (id) => segments.get(id) ?? id,
    );
    this.problems.set(read.problems.map((problem) => `Line ${problem.line - 1}: ${problem.message}`));
    const [log] = read.logs;
    if (read.problems.length > 0 || log === undefined) return;
    this.made.emit({ ...log, note: this.note() });
  }
}

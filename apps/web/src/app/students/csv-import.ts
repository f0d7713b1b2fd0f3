import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import {
  csvFields,
  csvLogs,
  guessMapping,
  readCsv,
  type CsvField,
  type CsvMapping,
  type CsvTable,
  type Exercise,
  type Plan,
  type PracticeLog,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { segmentOf } from './log-by-hand';

const SHOWN = 8;
/** A table larger than this is refused, bytes. */
const LARGEST = 20 * 1024 * 1024;

/** Practices from a table: columns are matched, everything is seen before anything is kept. */
@Component({
  selector: 'pk-csv-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, Select],
  template: `
    <section class="stack" aria-label="Practices from a table">
      @if (table() === null) {
        <label class="pick">
          <span>Choose a table (CSV)</span>
          <input type="file" accept=".csv,text/csv,text/plain" (change)="choose($any($event.target))" />
        </label>
        @if (problem() !== '') {
          <p class="wrong" role="alert">{{ problem() }}</p>
        }
      } @else {
        <h3>Which column is what</h3>
        <div class="row top">
          @for (field of fields; track field) {
            <div class="field">
              <span class="label">{{ field }}</span>
              <p-select
                [options]="columns()"
                optionLabel="label"
                optionValue="value"
                [ngModel]="mapping()[field] ?? null"
                (ngModelChange)="map(field, $event)"
                [ariaLabel]="'Column for ' + field"
                appendTo="body"
              />
            </div>
          }
        </div>
        <p role="status">
          <strong class="num">{{ read().logs.length }}</strong> practices can be kept,
          <strong class="num">{{ read().problems.length }}</strong> lines cannot.
        </p>
        @for (entry of shown(); track $index) {
          <p class="small wrong">Line {{ entry.line }}: {{ entry.message }}</p>
        }
        @if (read().logs.length > 0) {
          <table class="plain small num">
            <thead>
              <tr>
                <th scope="col">Day</th>
                <th scope="col">Lines</th>
                <th scope="col">Effort</th>
              </tr>
            </thead>
            <tbody>
              @for (log of first(); track log.id) {
                <tr>
                  <td>{{ log.day }}</td>
                  <td>{{ linesOf(log) }}</td>
                  <td>{{ log.effort ?? '–' }}</td>
                </tr>
              }
            </tbody>
          </table>
        }
        <div class="row">
          <p-button
            [label]="'Keep ' + read().logs.length + ' practices'"
            size="small"
            [disabled]="read().logs.length === 0"
            (onClick)="made.emit([...read().logs])"
          />
          <p-button label="Another file" size="small" variant="text" (onClick)="table.set(null)" />
        </div>
      }
      <p-button label="Cancel" size="small" variant="text" (onClick)="cancelled.emit()" />
    </section>
  `,
  styles: `
    .pick {
      display: grid;
      gap: 0.25rem;
    }
  `,
})
export class CsvImport {
  private readonly clock = inject(Clock);
  readonly studentId = input.required<string>();
  readonly exercises = input.required<readonly Exercise[]>();
  readonly plans = input.required<readonly Plan[]>();
  readonly made = output<PracticeLog[]>();
  readonly cancelled = output();

  protected readonly fields = csvFields;
  protected readonly table = signal<CsvTable | null>(null);
  protected readonly mapping = signal<CsvMapping>({});
  protected readonly problem = signal('');
  protected readonly columns = computed(() => [
    { label: '–', value: null },
    ...(this.table()?.columns ?? []).map((label, value) => ({ label, value })),
  ]);
  protected readonly read = computed(() => {
    const table = this.table();
    if (table === null) return { logs: [], problems: [] };
    const id = (day: string): string => `csv-${this.studentId()}-${day}`;
    return csvLogs(table, this.mapping(), this.exercises(), this.studentId(), id, segmentOf(this.plans()));
  });
  protected readonly shown = computed(() => this.read().problems.slice(0, SHOWN));
  protected readonly first = computed(() => this.read().logs.slice(0, SHOWN));

  protected async choose(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    if (file === undefined) return;
    if (file.size > LARGEST) {
      this.problem.set('The table has more than 20 MB.');
      return;
    }
    const table = readCsv(await file.text());
    if (table.rows.length === 0) {
      this.problem.set('There is nothing in it but perhaps a head line.');
      return;
    }
    this.problem.set('');
    this.mapping.set(guessMapping(table.columns));
    this.table.set(table);
  }

  protected map(field: CsvField, column: number | null): void {
    const others = Object.entries(this.mapping()).filter(([name]) => name !== field);
    this.mapping.set(Object.fromEntries(column === null ? others : [...others, [field, column]]));
  }

  protected linesOf(log: PracticeLog): string {
    return log.lines.map((line) => line.exerciseName).join(', ');
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  Injector,
  afterNextRender,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { catchError, debounceTime, firstValueFrom, of, scan, startWith, switchMap, tap } from 'rxjs';
import {
  csvFields,
  guessMapping,
  strandSegments,
  type CsvField,
  type CsvMapping,
  type CsvProblem,
  type DayOrder,
  type Exercise,
  type Plan,
  type PracticeLog,
} from '@pomek/core';
import { Compute, type Step } from '../compute/compute';
import type { ResultOf } from '../compute/protocol';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { FileButton } from '../ui/file-button';
import { CountedPipe } from '../ui/counted.pipe';
import { DayPipe } from '../ui/day.pipe';

interface Read {
  readonly logs: readonly PracticeLog[];
  readonly problems: readonly CsvProblem[];
  readonly problemCount: number;
  readonly share: number;
  readonly whole: boolean;
  readonly asksDayOrder: boolean;
}
const nothing: Read = { logs: [], problems: [], problemCount: 0, share: 0, whole: false, asksDayOrder: false };

const SHOWN = 8;
/** A table larger than this is refused, bytes. */
const LARGEST = 20 * 1024 * 1024;

/** Practices from a table: columns are matched, everything is seen before anything is kept. */
@Component({
  selector: 'pk-csv-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CountedPipe, DayPipe, FileButton, FormsModule, Select],
  template: `
    <section class="stack" aria-label="Practices from a table">
      @if (table() === null) {
        <div>
          <pk-file-button
            label="Choose a table (CSV)"
            accept=".csv,text/csv,text/plain"
            inputId="table-file"
            (picked)="choose($event)"
          />
        </div>
        @if (problem() !== '') {
          <p class="wrong" role="alert">{{ problem() }}</p>
        }
        @if (looking()) {
          <p role="status">Looking into the table…</p>
        }
      } @else {
        <h3>Which column is what</h3>
        <div class="row top">
          @for (field of fields; track field) {
            <div class="field">
              <span class="label">{{ field }}</span>
              @if ($index < ready()) {
                <p-select
                  [options]="columns()"
                  optionLabel="label"
                  optionValue="value"
                  [ngModel]="mapping()[field] ?? null"
                  (ngModelChange)="map(field, $event)"
                  [ariaLabel]="'Column for ' + field"
                  appendTo="body"
                />
              }
            </div>
          }
        </div>
        @if (table()!.encoding === 'Windows-1252') {
          <p class="small soft">The file is not UTF-8; its letters are read as Windows-1252.</p>
        }
        @if (asksDayOrder()) {
          <div class="field">
            <span class="label">Days like 03/04/2026</span>
            <p-select
              [options]="orders"
              optionLabel="label"
              optionValue="value"
              [ngModel]="dayOrder()"
              (ngModelChange)="dayOrder.set($event)"
              placeholder="Choose which comes first"
              ariaLabel="How days are written"
              appendTo="body"
            />
          </div>
        }
        @if (!read().whole) {
          <label class="row small">
            Reading {{ table()!.rows | pkCounted: 'row' }}
            <progress [value]="read().share" max="1"></progress>
          </label>
        } @else {
          <p role="status">
            <strong class="num">{{ read().logs.length | pkCounted: 'practice' }}</strong> can be saved,
            <strong class="num">{{ read().problemCount | pkCounted: 'line' }}</strong> cannot.
          </p>
        }
        @for (entry of shown(); track $index) {
          <p class="small wrong">Line {{ entry.line }}: {{ entry.message }}</p>
        }
        @if (read().problemCount > shown().length) {
          <p class="small soft">and {{ read().problemCount - shown().length }} more</p>
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
                  <td>{{ log.day | pkDay }}</td>
                  <td>{{ linesOf(log) }}</td>
                  <td>{{ log.effort ?? '–' }}</td>
                </tr>
              }
            </tbody>
          </table>
        }
        <div class="row">
          <p-button
            [label]="'Save ' + (read().logs.length | pkCounted: 'practice')"
            size="small"
            [disabled]="!read().whole || read().logs.length === 0"
            (onClick)="made.emit([...read().logs])"
          />
          <p-button label="Another file" size="small" variant="text" (onClick)="table.set(null)" />
        </div>
      }
      <p-button label="Cancel" size="small" variant="text" (onClick)="cancelled.emit()" />
    </section>
  `,
  styles: `
    .field {
      min-height: 4.25rem;
    }
  `,
})
export class CsvImport {
  private readonly compute = inject(Compute);
  private readonly notices = inject(Notices);
  private readonly clock = inject(Clock);
  private readonly injector = inject(Injector);
  readonly studentId = input.required<string>();
  readonly exercises = input.required<readonly Exercise[]>();
  readonly plans = input.required<readonly Plan[]>();
  readonly made = output<PracticeLog[]>();
  readonly cancelled = output();

  protected readonly fields = csvFields;
  protected readonly table = signal<(ResultOf<'csv-columns'> & { readonly file: Blob }) | null>(null);
  protected readonly looking = signal(false);
  /** How many of the choices of a column stand there. */
  protected readonly ready = signal(0);
  private coming: ReturnType<typeof setTimeout> | undefined;
  protected readonly mapping = signal<CsvMapping>({});
  protected readonly problem = signal('');
  protected readonly dayOrder = signal<DayOrder | null>(null);
  protected readonly orders = [
    { label: 'day first: 3 April', value: 'day first' },
    { label: 'month first: 4 March', value: 'month first' },
  ];
  protected readonly columns = computed(() => [
    { label: '–', value: null },
    ...(this.table()?.columns ?? []).map((label, value) => ({ label, value })),
  ]);
  private readonly question = computed(() => {
    const file = this.table()?.file;
    if (file === undefined) return null;
    return {
      file,
      mapping: this.mapping(),
      dayOrder: this.dayOrder(),
      today: this.clock.today(),
      exercises: [...this.exercises()],
      studentId: this.studentId(),
      segments: [...strandSegments(this.plans())],
    };
  });
  /** What was read so far; it begins anew whenever a column is matched otherwise. */
  protected readonly read = toSignal(
    toObservable(this.question).pipe(
      // Not in the same turn in which the form is drawn.
      debounceTime(0),
      switchMap((question) =>
        question === null
          ? of(nothing)
          : this.compute.steps('csv-logs', question).pipe(
              scan(taken, nothing),
              startWith(nothing),
              catchError((error: unknown) => {
                this.notices.failure('The table could not be read', error);
                return of({ ...nothing, whole: true });
              }),
            ),
      ),
    ),
    { initialValue: nothing },
  );
  /** Once it is asked for, it stays where it was asked, while the table is read again. */
  protected readonly asksDayOrder = computed(() => this.dayOrder() !== null || this.read().asksDayOrder);
  protected readonly shown = computed(() => this.read().problems.slice(0, SHOWN));
  protected readonly first = computed(() => this.read().logs.slice(0, SHOWN));

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.coming));
  }

  protected async choose([file]: readonly File[]): Promise<void> {
    if (file === undefined) return;
    this.problem.set('');
    if (file.size > LARGEST) {
      this.problem.set('The table has more than 20 MB.');
      return;
    }
    this.looking.set(true);
    const table = await firstValueFrom(
      this.compute.result('csv-columns', { file }).pipe(
        tap({ error: (error: unknown) => this.problem.set(String(error)) }),
        catchError(() => of(null)),
      ),
    );
    this.looking.set(false);
    if (table === null) return;
    if (table.rows === 0) {
      this.problem.set('The table is empty.');
      return;
    }
    this.mapping.set(guessMapping(table.columns));
    this.dayOrder.set(null);
    clearTimeout(this.coming);
    this.ready.set(0);
    this.table.set({ ...table, file });
    this.oneMore();
  }

  /** The choices come one after the other: together they would hold the page up while the table is read. */
  private oneMore(): void {
    const next = (): void => {
      this.ready.update((count) => count + 1);
      if (this.ready() < this.fields.length) this.oneMore();
    };
    afterNextRender(() => (this.coming = setTimeout(next)), { injector: this.injector });
  }

  protected map(field: CsvField, column: number | null): void {
    const others = Object.entries(this.mapping()).filter(([name]) => name !== field);
    this.mapping.set(Object.fromEntries(column === null ? others : [...others, [field, column]]));
  }

  protected linesOf(log: PracticeLog): string {
    return log.lines.map((line) => line.exerciseName).join(', ');
  }
}

function taken(read: Read, step: Step<'csv-logs'>): Read {
  switch (step.kind) {
    case 'progress':
      return { ...read, share: step.share };
    case 'part':
      return { ...read, logs: [...read.logs, ...step.part] };
    case 'result': {
      const { problems, problemCount, asksDayOrder } = step.result;
      return { ...read, problems, problemCount, asksDayOrder, share: 1, whole: true };
    }
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import equal from 'fast-deep-equal';
import type { Subscription } from 'rxjs';
import { doseWords, durationWords, longestHold, partsOf, timeline, type Routine } from '@pomek/core';
import { Compute } from '../compute/compute';
import type { ResultOf } from '../compute/protocol';
import { NumberField } from '../ui/number-field';
import { Workbench } from './workbench';

/** The times around exercises that a fit may lengthen. */
const between = [
  { key: 'settleSeconds', name: 'Time to get into an exercise' },
  { key: 'changeSeconds', name: 'Time to change sides' },
] as const;

/** Fits the doses to the minutes there are: what would change, to be taken or left as a whole. */
@Component({
  selector: 'pk-fit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, NumberField],
  template: `
    <div class="row top">
      <pk-number
        label="Fit to"
        unit="min"
        [min]="1"
        [max]="300"
        [value]="minutes()"
        (valueChange)="minutes.set($event ?? minutes())"
      />
      <p-button label="Fit" size="small" [loading]="busy()" (onClick)="fit()" />
      @if (busy()) {
        <p-button label="Stop" size="small" variant="text" (onClick)="stop()" />
      }
    </div>
    <details>
      <summary class="small">Keep unchanged ({{ held().size }})</summary>
      @for (part of parts(); track part.id) {
        <div class="row held">
          <p-checkbox
            [inputId]="'held-' + part.id"
            [binary]="true"
            [ngModel]="held().has(part.id)"
            (ngModelChange)="hold(part.id, $event)"
          />
          <label class="small" [for]="'held-' + part.id">{{ part.name }}</label>
        </div>
      }
    </details>
    @if (problem() !== '') {
      <p class="small doubt" role="status">{{ problem() }}</p>
    }
    @if (offer(); as it) {
      <div class="offer" role="status">
        <p>
          <strong class="num">{{ it.before }} → {{ it.after }}</strong>
        </p>
        <table class="plain small num">
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col">Before</th>
              <th scope="col">After</th>
            </tr>
          </thead>
          <tbody>
            @for (row of it.rows; track row.id) {
              <tr [class.same]="row.before === row.after">
                <th scope="row">{{ row.name }}</th>
                <td>{{ row.before }}</td>
                <td>{{ row.after }}</td>
              </tr>
            }
          </tbody>
        </table>
        @if (it.why !== '') {
          <p class="small doubt">{{ it.why }}</p>
        }
        <div class="row">
          @if (it.changes) {
            <p-button label="Apply" size="small" (onClick)="take()" />
          } @else {
            <p class="small soft">Nothing changes.</p>
          }
          <p-button label="Cancel" size="small" variant="text" (onClick)="result.set(null)" />
        </div>
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .top {
      align-items: flex-end;
    }
    .held {
      padding: 0.1rem 0;
    }
    .same {
      opacity: 0.6;
    }
    .doubt {
      color: var(--pk-doubt);
    }
    summary {
      cursor: pointer;
    }
  `,
})
export class FitPanel {
  private readonly bench = inject(Workbench);
  private readonly compute = inject(Compute);
  protected readonly minutes = signal(25);
  protected readonly held = signal<ReadonlySet<string>>(new Set());
  protected readonly busy = signal(false);
  protected readonly problem = signal('');
  protected readonly result = signal<{ readonly of: Routine; readonly found: ResultOf<'fit'> } | null>(null);
  private running: Subscription | null = null;

  protected readonly parts = computed(() =>
    (this.bench.routine()?.segments ?? [])
      .filter((segment) => segment.type === 'exercise')
      .map((segment) => ({ id: segment.id, name: this.bench.nameOf(segment) })),
  );
  protected readonly offer = computed(() => {
    const result = this.result();
    if (result?.found.ok !== true) return null;
    const { of, found } = result;
    return {
      before: durationWords(timeline(of).totalMs / 1000),
      after: durationWords(found.seconds),
      why: found.why,
      changes: !equal(of, found.routine),
      rows: [
        ...of.segments.flatMap((segment, index) => {
          const after = found.routine.segments[index];
          const named = { id: segment.id, name: this.bench.nameOf(segment) };
          if (segment.type === 'exercise' && after?.type === 'exercise')
            return [{ ...named, before: doseWords(segment.dose), after: doseWords(after.dose) }];
          if (segment.type === 'rest' && after?.type === 'rest')
            return [{ ...named, before: durationWords(segment.seconds), after: durationWords(after.seconds) }];
          return [];
        }),
        ...between.map(({ key, name }) => ({
          id: key,
          name,
          before: durationWords(of[key]),
          after: durationWords(found.routine[key]),
        })),
      ],
    };
  });

  protected hold(id: string, wanted: boolean): void {
    this.held.update((old) => new Set(wanted ? [...old, id] : [...old].filter((entry) => entry !== id)));
  }

  protected fit(): void {
    const context = this.bench.context();
    if (context === null) return;
    const { routine } = context;
    this.stop();
    this.result.set(null);
    this.problem.set('');
    this.busy.set(true);
    const { person, school, exercises } = context;
    const longest = partsOf(context)
      .map(({ segment, exercise }): [string, number] => [
        segment.id,
        longestHold({ segment, exercise, school, person, shelf: exercises }),
      ])
      .filter(([, seconds]) => Number.isFinite(seconds));
    this.running = this.compute
      .result('fit', {
        routine,
        target: this.minutes() * 60,
        held: [...this.held()],
        countMultiple: this.bench.school().countsOf,
        longestHold: longest,
        names: this.parts().map(({ id, name }): [string, string] => [id, name]),
      })
      .subscribe({
        next: (found) => {
          this.busy.set(false);
          if (!found.ok) this.problem.set(found.reason);
          else this.result.set({ of: routine, found });
        },
        error: (error: unknown) => {
          this.busy.set(false);
          this.problem.set(error instanceof Error ? error.message : String(error));
        },
      });
  }

  protected stop(): void {
    this.running?.unsubscribe();
    this.running = null;
    this.busy.set(false);
  }

  /** Only the doses, the rests and the times between go over: what else was changed meanwhile stays. */
  protected take(): void {
    const found = this.result()?.found;
    if (found?.ok !== true) return;
    const fitted = new Map(found.routine.segments.map((segment) => [segment.id, segment]));
    const { settleSeconds, changeSeconds } = found.routine;
    this.bench.change(`Fit to ${this.minutes()} min`, (routine) => ({
      ...routine,
      settleSeconds,
      changeSeconds,
      segments: routine.segments.map((segment) => {
        const to = fitted.get(segment.id);
        if (segment.type === 'exercise' && to?.type === 'exercise') return { ...segment, dose: to.dose };
        return segment.type === 'rest' && to?.type === 'rest' ? { ...segment, seconds: to.seconds } : segment;
      }),
    }));
    this.result.set(null);
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import type { Subscription } from 'rxjs';
import { doseWords, durationWords, longestHold, partsOf, timeline, type Routine } from '@pomek/core';
import { Compute } from '../compute/compute';
import type { ResultOf } from '../compute/protocol';
import { NumberField } from '../ui/number-field';
import { Workbench } from './workbench';

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
      <summary class="small">Hold parts fixed ({{ held().size }})</summary>
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
        <div class="row">
          <p-button label="Take it" size="small" (onClick)="take()" />
          <p-button label="Leave it" size="small" variant="text" (onClick)="result.set(null)" />
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
      rows: of.segments.flatMap((segment, index) => {
        const after = found.routine.segments[index];
        if (segment.type !== 'exercise' || after?.type !== 'exercise') return [];
        return [
          {
            id: segment.id,
            name: this.bench.nameOf(segment),
            before: doseWords(segment.dose),
            after: doseWords(after.dose),
          },
        ];
      }),
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

  /** Only the doses go over: what was changed meanwhile stays. */
  protected take(): void {
    const found = this.result()?.found;
    if (found?.ok !== true) return;
    const doses = new Map(
      found.routine.segments.flatMap((segment) =>
        segment.type === 'exercise' ? [[segment.id, segment.dose] as const] : [],
      ),
    );
    this.bench.change(`Fit to ${this.minutes()} min`, (routine) => ({
      ...routine,
      segments: routine.segments.map((segment) => {
        const dose = doses.get(segment.id);
        return segment.type === 'exercise' && dose !== undefined ? { ...segment, dose } : segment;
      }),
    }));
    this.result.set(null);
  }
}

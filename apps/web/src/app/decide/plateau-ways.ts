import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { catchError, combineLatest, map, of, startWith, switchMap, type Observable } from 'rxjs';
import {
  contextOf,
  outlookWords,
  practiceDaysOf,
  strandPlaces,
  takeWay,
  waysOn,
  type PersonRecord,
  type Plan,
  type Strand,
  type Verdict,
  type Way,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import { planQuestion } from '../compute/plan-question';

/** Seasons that are played for each way. */
const SEASONS = 500;

const buttons: Readonly<Record<Way['kind'], string>> = {
  'half steps': 'Apply',
  'easier posture': 'Apply',
  'another place': 'Apply',
  'new test': 'Test again',
};

/** The ways on from a plateau, each with where the plan would lead then; the teacher chooses one. */
@Component({
  selector: 'pk-plateau-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <ol class="bare ways">
      @for (way of ways(); track way.kind) {
        <li>
          <div>
            <strong>{{ way.title }}</strong>
            <p>{{ way.words }}</p>
            @if (outlook().get(way.kind); as words) {
              <p class="small soft num">{{ words }}</p>
            }
          </div>
          <p-button
            [label]="label(way)"
            [ariaLabel]="label(way) + ': ' + way.title"
            size="small"
            variant="outlined"
            (onClick)="taken.emit(way)"
          />
        </li>
      }
    </ol>
  `,
  styles: `
    .ways li {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 0.25rem 0.75rem;
      align-items: start;
      padding: 0.35rem 0;
    }
    p {
      margin: 0;
    }
  `,
})
export class PlateauWays {
  private readonly compute = inject(Compute);
  readonly plan = input.required<Plan>();
  readonly strand = input.required<Strand>();
  readonly plateau = input.required<NonNullable<Verdict['plateau']>>();
  readonly person = input.required<PersonRecord>();
  readonly taken = output<Way>();

  protected readonly ways = computed(() => {
    const [plan, strand, person] = [this.plan(), this.strand(), this.person()];
    return waysOn(this.plateau(), strand, plan, strandPlaces(plan, person).get(strand.id), person);
  });

  /** Where each way leads, in words; what changes no dose has none. */
  protected readonly outlook = toSignal(
    combineLatest([toObservable(this.ways), toObservable(this.person)]).pipe(
      switchMap(([ways, person]) => {
        const told = ways
          .filter(({ kind }) => kind === 'half steps' || kind === 'easier posture')
          .map((way) => this.leads(way, person).pipe(map((words) => [way.kind, words] as const)));
        return told.length === 0 ? of([]) : combineLatest(told);
      }),
      map((told) => new Map(told)),
    ),
    { initialValue: new Map<Way['kind'], string>() },
  );

  protected label(way: Way): string {
    return way.kind === 'another place' && way.routine === null ? 'Change the days' : buttons[way.kind];
  }

  private leads(way: Way, person: PersonRecord): Observable<string> {
    const { id } = this.strand();
    const plan = takeWay(this.plan(), id, way, 'tried', new Date(`${person.today}T12:00:00`)).plan;
    const question = planQuestion(contextOf(plan, person), plan, SEASONS);
    if (question === null) return of('');
    return this.compute.result('plan', question).pipe(
      map(({ forecasts, chances }) => {
        const day = forecasts.find(({ strandId }) => strandId === id)?.earliestDay ?? null;
        const weeks = chances.find(({ strandId }) => strandId === id)?.weeks ?? [];
        const lighter = { lighterEvery: plan.lighterEvery, practiceDays: practiceDaysOf(person.student) };
        return outlookWords(this.strand(), lighter, day, weeks);
      }),
      startWith('Calculating where it leads…'),
      catchError(() => of('')),
    );
  }
}

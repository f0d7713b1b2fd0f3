import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Select } from 'primeng/select';
import { addDays, formatISO, parseISO, startOfISOWeek } from 'date-fns';
import { catchError, concatMap, from, map, of, scan, switchMap, tap } from 'rxjs';
import {
  axisLabels,
  axisWords,
  contextOf,
  doseLimitWords,
  gridOf,
  doseOf,
  goalWay,
  isOpen,
  railWords,
  strandPast,
  weekOf,
  type Plan,
  type PlanContext,
  type Strand,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import { planQuestion } from '../compute/plan-question';
import type { ResultOf } from '../compute/protocol';
import { Clock } from '../data/clock';
import { Everybody, type OneOfAll } from '../data/everybody';
import { reasonOf } from '../data/notices';
import { remembered } from '../data/remembered';
import { Repository } from '../data/repository';
import { Standings } from '../data/standings';
import { readDay } from '../ui/day-words';
import { Empty } from '../ui/empty';
import { Trouble } from '../ui/trouble';
import { VerdictMark } from '../ui/verdict-mark';
import { goalEnds } from './goal-ends';
import { layoutSeasonLine, type SeasonFrame, type SeasonStep } from './season.layout';

type Forecasts = ResultOf<'plan'>['forecasts'];

/** Weeks of the sheet: so many gone by, as far as everybody’s practices are read, and in all. */
const BACK = 5;
const WEEKS = 24;
const LINE = { width: 480, height: 26 } as const;
/** So many days the name of a month takes on the sheet. */
const NAME_DAYS = 12;
const ALL = 'all';
/** What the choice begins with where it is a class. */
const CLASS = 'class:';

interface Planned {
  readonly one: OneOfAll;
  readonly plan: Plan;
  readonly context: PlanContext;
}

/** The season of everybody on one sheet: where each goal stands, when it is reached, who waits and who goes over. */
@Component({
  selector: 'pk-season',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Empty, FormsModule, RouterLink, Select, Trouble, VerdictMark],
  templateUrl: './season-page.html',
  styleUrl: './season-page.scss',
})
export class SeasonPage {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly everybody = inject(Everybody);
  protected readonly standings = inject(Standings).look();
  private readonly choice = remembered('season-routine');
  private readonly classes = toSignal(inject(Repository).classes$, { initialValue: [] });

  protected readonly known = this.everybody.known;
  protected readonly line = LINE;
  /** The routine, or the class, whose plans are shown, by id; all of them where it is gone. */
  protected readonly routineId = computed(() => {
    const wanted = this.choice.value();
    const known = [...this.everybody.routines().map(({ id }) => id), ...this.classes().map(({ id }) => CLASS + id)];
    return wanted !== null && known.includes(wanted) ? wanted : ALL;
  });
  /** Those of whom the sheet is: the people of a class, or everybody; null where that is no question. */
  private readonly roster = computed(() => {
    const of = this.classes().find(({ id }) => CLASS + id === this.routineId());
    return of === undefined ? null : new Set(of.roster);
  });
  protected readonly routines = computed(() => {
    const given = new Set(this.everybody.plans().map(({ routineId }) => routineId));
    const named = this.everybody.routines().filter(({ id }) => given.has(id));
    return [
      { label: 'All students', value: ALL },
      ...this.classes().map(({ id, name }) => ({ label: name, value: CLASS + id })),
      ...named.map(({ id, name }) => ({ label: name, value: id })),
    ];
  });
  private readonly frame = computed((): SeasonFrame => {
    const today = this.clock.today();
    const first = addDays(startOfISOWeek(parseISO(today)), -7 * BACK);
    return { from: formatISO(first, { representation: 'date' }), weeks: WEEKS, today, ...LINE };
  });
  /** The first days of months, where they lie across. */
  protected readonly months = computed(() => {
    const { from: first, weeks, width } = this.frame();
    return (
      Array.from({ length: weeks * 7 }, (_, day) => ({ day, date: addDays(parseISO(first), day) }))
        // A name that begins at the very end would run into the next column.
        .filter(({ day, date }) => date.getDate() === 1 && day < weeks * 7 - NAME_DAYS)
        .map(({ day, date }) => ({
          share: (100 * day) / (weeks * 7),
          x: (width * day) / (weeks * 7),
          name: new Intl.DateTimeFormat('en', { month: 'short' }).format(date),
        }))
    );
  });
  private readonly planned = computed((): Planned[] =>
    this.everybody
      .all()
      .filter(({ student }) => this.roster()?.has(student.id) ?? true)
      .flatMap((one) =>
        one.person.plans
          .filter(
            ({ routineId, strands }) =>
              strands.length > 0 && (this.roster() !== null || [ALL, routineId].includes(this.routineId())),
          )
          .map((plan) => ({ one, plan, context: contextOf(plan, one.person) })),
      ),
  );
  protected readonly failed = signal('');
  protected readonly unjudged = this.standings.failed;
  /** The weeks ahead, plan after plan as they are reckoned. */
  private readonly tries = signal(0);
  private readonly forecasts = toSignal(
    toObservable(computed(() => ({ planned: this.planned(), tries: this.tries() }))).pipe(
      switchMap(({ planned }) =>
        from(planned).pipe(
          concatMap(({ plan, context }) => {
            const question = planQuestion(context, plan, 0);
            return question === null
              ? of([plan.id, []] as [string, Forecasts])
              : this.compute
                  .result('plan', question)
                  .pipe(map(({ forecasts }): [string, Forecasts] => [plan.id, forecasts]));
          }),
          scan((found, [id, weeks]) => new Map(found).set(id, weeks), new Map<string, Forecasts>()),
          tap({ subscribe: () => this.failed.set('') }),
          catchError((error: unknown) => {
            this.failed.set(reasonOf(error));
            return of(new Map<string, Forecasts>());
          }),
        ),
      ),
    ),
    { initialValue: new Map<string, Forecasts>() },
  );
  protected again(): void {
    this.tries.update((count) => count + 1);
  }

  protected readonly reckoned = computed(() => ({ done: this.forecasts().size, of: this.planned().length }));

  private readonly due = computed(
    () => new Map(this.standings.known().map(({ student, standing }) => [student.id, standing?.due ?? []])),
  );
  protected readonly groups = computed(() =>
    this.planned().map(({ one, plan, context }) => {
      const forecasts = new Map((this.forecasts().get(plan.id) ?? []).map((entry) => [entry.strandId, entry]));
      const due = this.due().get(one.student.id) ?? [];
      return {
        id: plan.id,
        student: one.student,
        rows: plan.strands.map((strand) => {
          return {
            ...this.row(plan, strand, context, forecasts.get(strand.id)),
            due: due.find(({ planId, strandId }) => planId === plan.id && strandId === strand.id)?.kind ?? null,
          };
        }),
      };
    }),
  );

  protected choose(routineId: string): void {
    this.choice.set(routineId);
  }

  private row(plan: Plan, strand: Strand, context: PlanContext, forecast: Forecasts[number] | undefined) {
    const { axis } = strand;
    const past = strandPast(strand, plan.startsOn, context.logs, Math.max(0, weekOf(plan, context.today)));
    const start = parseISO(plan.startsOn);
    // What was asked before the first practice that was read is not known, and not drawn.
    const known = past.done[0]?.week ?? Number.POSITIVE_INFINITY;
    const steps: SeasonStep[] = [
      ...past.weeks
        .filter(({ week }) => week + 1 > known)
        .map(({ week, dose, kind }) => ({
          day: formatISO(addDays(start, 7 * week), { representation: 'date' }),
          dose,
          kind,
        })),
      ...(forecast?.weeks ?? []),
    ];
    const dose = isOpen(strand) ? doseOf(strand.level, gridOf(strand)) : 0;
    const limit = context.mostDoses.get(strand.id);
    const over = limit !== undefined && dose > limit.dose + 1e-6;
    return {
      id: strand.id,
      name: strand.exerciseName,
      grows: axisLabels[axis],
      way: goalWay(strand),
      goal: `${axisWords(strand.target, axis)} by ${readDay(strand.targetDay)}`,
      over: over ? `goes over: ${doseLimitWords(strand, limit)!}` : '',
      waits: forecast?.binding == null ? '' : railWords[forecast.binding],
      ...goalEnds(strand, forecast),
      drawing: layoutSeasonLine({ steps, target: strand.target, targetDay: strand.targetDay }, this.frame()),
    };
  }
}

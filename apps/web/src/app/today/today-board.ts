import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  Injector,
  afterNextRender,
  computed,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { durationWords, verdictWeight, weekAhead, type Standing, type Student } from '@pomek/core';
import { Clock } from '../data/clock';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import { SPACE } from '../data/space';
import { Standings } from '../data/standings';
import { Trouble } from '../ui/trouble';
import { VerdictMark } from '../ui/verdict-mark';
import { classesAhead } from '../ui/classes-ahead';
import { CameInList } from './came-in';
import { CopyReminder } from './copy-reminder';
import { DaysAhead } from './days-ahead';
import { DecideHere } from './decide-here';
import { FirstSteps } from './first-steps';
import { RowKeys } from '../ui/row-keys';

/** A student of whom something is to be decided. */
interface Due {
  readonly student: Student;
  readonly verdicts: Standing['due'];
  readonly first: Standing['due'][number];
}
interface Deciding {
  readonly rows: readonly Due[];
  readonly open: string | null;
}

/** Who practises what today, whose plan is due, who has not been seen. */
@Component({
  selector: 'pk-today-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    ButtonDirective,
    CameInList,
    CopyReminder,
    DaysAhead,
    DecideHere,
    FirstSteps,
    RouterLink,
    Trouble,
    VerdictMark,
    RowKeys,
  ],
  templateUrl: './today-board.html',
  styleUrl: './today-board.scss',
})
export class TodayBoard {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  private readonly standings = inject(Standings).look();
  protected readonly space = inject(SPACE);

  protected readonly students = toSignal(this.repository.students$);
  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  protected readonly journals = toSignal(this.repository.journals$, { initialValue: [] });

  protected readonly beginning = computed(
    () => this.students()?.length === 0 || (this.students() !== undefined && this.plans().length === 0),
  );
  /** How far it is; null when all is known. */
  protected readonly looking = this.standings.looking;
  protected readonly failed = this.standings.failed;
  private readonly standing = computed(
    (): ReadonlyMap<string, Standing> =>
      new Map(
        this.standings.known().flatMap(({ standing }) => (standing === null ? [] : [[standing.studentId, standing]])),
      ),
  );
  protected readonly anyLog = computed(() => [...this.standing().values()].some(({ lastDay }) => lastDay !== null));
  /** Those of whom nothing can be said, and why. */
  protected readonly problems = computed(() => this.standings.known().filter(({ problem }) => problem !== ''));

  private readonly week = computed(() =>
    weekAhead({ students: this.students() ?? [], plans: this.plans(), classes: this.classes() }, this.clock.today()),
  );
  protected readonly ahead = computed(() => this.week().slice(1));
  protected readonly practising = computed(() => {
    const today = this.clock.today();
    const ids = new Set(this.week()[0]?.practising);
    return (this.students() ?? [])
      .filter(({ id }) => ids.has(id))
      .map((student) => {
        const known = this.standing().get(student.id);
        return {
          student,
          done: known?.lastDay === today,
          routines: known === undefined ? this.named(student) : known.routines.map(planned),
        };
      });
  });

  private readonly due = computed((): readonly Due[] =>
    this.standings
      .known()
      .flatMap(({ student, standing }) => {
        const [first] = standing?.due ?? [];
        return first === undefined ? [] : [{ student, verdicts: standing!.due, first }];
      })
      .toSorted((a, b) => verdictWeight[a.first.kind] - verdictWeight[b.first.kind]),
  );

  /** For whom it is decided here, by id. */
  protected readonly deciding = signal<string | null>(null);
  /** Who is decided on stays where he or she is while it is looked at anew what is due. */
  protected readonly toDecide = linkedSignal<Deciding, readonly Due[]>({
    source: () => ({ rows: this.due(), open: this.deciding() }),
    computation: ({ rows, open }, before) => {
      const at = before?.value.findIndex(({ student }) => student.id === open) ?? -1;
      const gone = before?.value[at];
      if (gone === undefined || rows.some(({ student }) => student.id === open)) return rows;
      return rows.toSpliced(at, 0, gone);
    },
  });
  private readonly injector = inject(Injector);
  private readonly dueHeading = viewChild<ElementRef<HTMLElement>>('dueHeading');

  protected openDeciding(studentId: string): void {
    this.deciding.update((open) => (open === studentId ? null : studentId));
  }

  /** All is decided for one student: on to the next, or to the heading where nobody is left. */
  protected nextDeciding(): void {
    const rows = this.toDecide();
    const at = rows.findIndex(({ student }) => student.id === this.deciding());
    const next = rows[at + 1]?.student.id ?? null;
    this.deciding.set(next);
    const heading = this.dueHeading()?.nativeElement;
    if (next === null) heading?.focus();
    // What waits for the next one is still to be read: the keyboard stands right before it.
    else
      afterNextRender(
        () =>
          [...(heading?.parentElement?.querySelectorAll<HTMLElement>('[data-student]') ?? [])]
            .find(({ dataset }) => dataset['student'] === next)
            ?.querySelector('button')
            ?.focus(),
        { injector: this.injector },
      );
  }

  protected readonly unseen = computed(() =>
    this.standings.known().flatMap(({ student, standing }) => {
      const lastDay = standing?.lastDay ?? null;
      if (lastDay === null) return [];
      const days = differenceInCalendarDays(parseISO(this.clock.today()), parseISO(lastDay));
      // From here on the dose is eased: the same days as in the verdicts.
      const away = schoolOf(this.schools(), student.schoolId).raise.easeGapDays;
      return days >= away ? [{ student, days }] : [];
    }),
  );

  protected again(): void {
    this.standings.again();
  }

  protected readonly classes = toSignal(this.repository.classes$, { initialValue: [] });
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  private readonly meeting = classesAhead();
  /** The class that comes next. */
  protected readonly nextClass = computed(() => this.meeting()?.[0] ?? null);

  /** The routines that somebody was given, while it is not known yet what is practised of them today. */
  private named({ id }: Student): readonly PlannedRoutine[] {
    const given = this.plans().filter(({ studentId }) => studentId === id);
    return given.flatMap(({ routineId }) =>
      this.routines().flatMap((routine): PlannedRoutine[] =>
        routine.id === routineId ? [{ id: routineId, name: routine.name, length: '…' }] : [],
      ),
    );
  }
}

/** A routine of somebody, with its length in words. */
interface PlannedRoutine {
  readonly id: string;
  readonly name: string;
  readonly length: string;
}

const planned = ({ id, name, seconds }: Standing['routines'][number]): PlannedRoutine => ({
  id,
  name,
  length: seconds === null ? 'locked until it is cleared' : durationWords(seconds),
});

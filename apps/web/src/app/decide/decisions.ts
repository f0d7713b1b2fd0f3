import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  output,
} from '@angular/core';
import { Button } from 'primeng/button';
import {
  decide,
  earlierIn,
  lastFelt,
  takeWay,
  takesUp,
  type PersonRecord,
  type Plan,
  type StrandVerdict,
  type Verdict,
  type Way,
  counted,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Store, type Write } from '../data/store';
import { daysAgo } from '../ui/day-words';
import { DecisionCard, type Reply } from './decision-card';

/** What waits to be decided for one person, each with its reasons and its answers; written as it is answered, one step each. */
@Component({
  selector: 'pk-decisions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DecisionCard],
  templateUrl: './decisions.html',
  styles: `
    :host {
      display: grid;
      gap: 1rem;
    }
    .felt {
      flex: 1 1 12rem;
    }
  `,
  host: { '(document:keydown.alt.a)': 'acceptByKey($event)' },
})
export class Decisions {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  readonly person = input.required<PersonRecord>();
  readonly verdicts = input.required<readonly StrandVerdict[]>();
  /** Also those that wait for no answer. */
  readonly settledToo = input(false);
  /** Another part of the file is needed for what was chosen. */
  readonly wanted = output<'body' | 'person'>();
  /** All is decided. */
  readonly decided = output();

  protected readonly today = this.clock.today;
  protected readonly due = computed(() => this.verdicts().filter((entry) => entry.due));
  protected readonly settled = computed(() => (this.settledToo() ? this.verdicts().filter((entry) => !entry.due) : []));
  protected readonly safe = computed(() => this.due().filter((entry) => takesUp(entry.verdict)));
  protected readonly felt = computed(() => {
    const last = lastFelt(this.person().logs);
    return last === null ? '' : `Last practised ${daysAgo(last.day, this.today())}: ${last.words}.`;
  });

  /** An answer was given here, and the page does not show yet what is left. */
  private answered = false;

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const injector = inject(Injector);
    effect(() => {
      const left = this.due().length;
      if (!this.answered) return;
      this.answered = false;
      if (left === 0) this.decided.emit();
      // The button that was pressed is gone: the keyboard goes on at the next one.
      afterNextRender(
        () => {
          if (document.activeElement !== null && document.activeElement !== document.body) return;
          const next = host.querySelector<HTMLElement>('.decision:not(.quiet) button');
          (next ?? host.closest('section')?.querySelector<HTMLElement>('h2'))?.focus();
        },
        { injector },
      );
    });
  }

  protected async answer({ plan, strand, verdict }: StrandVerdict, reply: Reply): Promise<void> {
    this.answered = true;
    const meaning = ['decision', strand.id, verdict.logId, reply];
    await this.store.writeOnce(`Decision on ${strand.exerciseName}`, this.writes(plan, verdict, reply), meaning);
  }

  protected acceptByKey(event: Event): void {
    if (this.safe().length === 0) return;
    event.preventDefault();
    void this.acceptSafe();
  }

  protected async acceptSafe(): Promise<void> {
    const safe = this.safe();
    this.answered = true;
    await this.store.writeOnce(
      'Accept all except stops',
      safe.flatMap(({ plan, verdict }) =>
        this.writes(plan, verdict, { outcome: 'accepted', level: verdict.level, teacherReason: '' }),
      ),
      ['accept', ...safe.map(({ strand, verdict }) => [strand.id, verdict.logId])],
    );
    this.notices.done(`${counted(safe.length, 'verdict')} accepted`, { undo: true });
  }

  /** Goes on from a plateau in the way that was chosen. */
  protected async takeWay({ plan, strand }: StrandVerdict, way: Way): Promise<void> {
    const [newId, now] = [this.clock.newId(), this.clock.now()];
    const taken = (stored: Plan): ReturnType<typeof takeWay> => takeWay(stored, strand.id, way, newId, now);
    const { shelf } = this.person();
    const moved: Write[] =
      way.kind === 'another place' && way.routine !== null
        ? [
            {
              table: 'routines',
              id: plan.routineId,
              change: (stored) => earlierIn(stored, strand.segmentId, shelf)?.routine ?? stored,
            },
          ]
        : [];
    this.answered = true;
    await this.store.write(`${strand.exerciseName}: ${way.title}`, [
      { table: 'plans', id: plan.id, change: (stored) => taken(stored).plan },
      ...moved,
      { table: 'decisions', add: taken(plan).decision },
    ]);
    this.notices.done(`${strand.exerciseName}: ${way.title}`, { detail: way.words, undo: true });
    if (way.kind === 'new test') this.wanted.emit('body');
    if (way.kind === 'another place' && way.routine === null) this.wanted.emit('person');
  }

  private writes(plan: Plan, verdict: Verdict, reply: Reply): Write[] {
    const [newId, now] = [this.clock.newId(), this.clock.now()];
    const decided = (stored: Plan): ReturnType<typeof decide> => decide(stored, verdict, reply, newId, now);
    return [
      { table: 'plans', id: plan.id, change: (stored) => decided(stored).plan },
      { table: 'decisions', add: decided(plan).decision },
    ];
  }
}

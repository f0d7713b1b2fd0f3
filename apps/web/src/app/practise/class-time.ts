import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { format, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import {
  canGoOver,
  classEnd,
  droppable,
  durationWords,
  overSeconds,
  timeline,
  whatToDrop,
  withoutDropped,
  type ConductState,
  type Droppable,
  type Exercise,
  type Journal,
  type Routine,
  type Timeline,
  leftOf,
} from '@pomek/core';
import { Clock } from '../data/clock';

/** Less than this is not said, s. */
const WORTH_SAYING = 60;

/** How far a class will be over its time, and what to drop to be within. */
@Component({
  selector: 'pk-class-time',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (over() >= worth) {
      <span class="num over">{{ words() }} over</span>
      @if (offer(); as it) {
        <p-button [label]="it.label" size="small" variant="outlined" (onClick)="routineChange.emit(it.change)" />
      }
    } @else if (begun()) {
      <span class="num soft">ends {{ endsAt() }}</span>
    }
    @if (back(); as whole) {
      <p-button label="Put back what was dropped" size="small" variant="text" (onClick)="routineChange.emit(whole)" />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.5rem;
    }
    .over {
      font-weight: 700;
      color: var(--pk-danger);
    }
  `,
})
export class ClassTime {
  private readonly clock = inject(Clock);
  readonly journal = input.required<Journal>();
  readonly line = input.required<Timeline>();
  readonly state = input.required<ConductState>();
  readonly shelf = input.required<ReadonlyMap<string, Pick<Exercise, 'name'>>>();
  /** Epoch milliseconds. */
  readonly now = input.required<number>();
  /** The routine from now on, and what it was before anything was dropped; null where it is that. */
  readonly routineChange = output<{ readonly routine: Routine; readonly whole: Routine | null }>();

  protected readonly worth = WORTH_SAYING;
  protected readonly begun = computed(() => this.journal().events.length > 0);
  private readonly end = computed(() => {
    const { events, group } = this.journal();
    const begun = events[0]?.at ?? this.now();
    const startsAt = parseISO(`${this.clock.dayOf(new Date(begun))}T${group?.startsAt ?? '00:00'}:00`).getTime();
    return classEnd(begun, startsAt, group?.minutes ?? 0);
  });
  protected readonly endsAt = computed(() => format(this.end(), 'HH:mm'));
  protected readonly over = computed(() => overSeconds(this.now(), leftOf(this.line(), this.state()), this.end()));
  protected readonly words = computed(() => durationWords(Math.round(this.over() / 60) * 60));
  protected readonly offer = computed(() => {
    const { routine, group } = this.journal();
    const chosen = whatToDrop(droppable(routine, this.line(), this.state().spanIndex), this.over());
    if (chosen.length === 0) return null;
    const without = chosen.reduce(withoutDropped, routine);
    const whole = group?.whole ?? routine;
    return {
      label: `Drop ${chosen.map((part) => this.nameOf(part)).join(' and ')}`,
      change: { routine: without, whole },
    };
  });
  /** What it was, as long as nothing that was dropped lies behind. */
  protected readonly back = computed(() => {
    const whole = this.journal().group?.whole ?? null;
    if (whole === null || !canGoOver(this.line(), timeline(whole), this.state().spanIndex)) return null;
    return { routine: whole, whole: null };
  });

  private nameOf(part: Droppable): string {
    const { routine } = this.journal();
    if (part.kind === 'lap') {
      const first = routine.segments.find(({ roundId }) => roundId === part.roundId);
      return `round ${part.lap} from ${this.called(first)}`;
    }
    return this.called(routine.segments.find(({ id }) => id === part.segmentId));
  }

  private called(segment: Routine['segments'][number] | undefined): string {
    if (segment === undefined) return 'a part';
    if (segment.type === 'exercise') return this.shelf().get(segment.exerciseId)?.name ?? 'an exercise';
    return segment.label === '' ? segment.type : segment.label;
  }
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { drillName, durationWords, timeline, upperFirst, type Exercise, type Routine } from '@pomek/core';

/** The course of a routine in one line: its exercises as long as they take, with their names where there is room. */
@Component({
  selector: 'pk-routine-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol class="bare">
      @for (part of parts(); track part.id) {
        <li [style.flex-grow]="part.seconds" [class.between]="part.between" [title]="part.words">
          <span>{{ part.name }}</span>
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      display: flex;
      gap: 2px;
      margin-top: 0.35rem;
    }
    li {
      flex-basis: 0;
      min-width: 4px;
      overflow: hidden;
      background: var(--pk-pine-wash);
      border-top: 3px solid var(--pk-pine);
      padding: 0.1rem 0.35rem;
    }
    .between {
      background: var(--pk-sunk);
      border-top-color: var(--pk-line);
    }
    span {
      display: block;
      font-size: 0.8rem;
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
  `,
})
export class RoutineStrip {
  readonly routine = input.required<Routine>();
  readonly exercises = input.required<ReadonlyMap<string, Exercise>>();

  protected readonly parts = computed(() => {
    const routine = this.routine();
    const seconds = new Map<string, number>();
    for (const { segmentId, durationMs } of timeline(routine).spans)
      seconds.set(segmentId, (seconds.get(segmentId) ?? 0) + durationMs / 1000);
    return routine.segments.map((segment) => {
      const exercise = segment.type === 'exercise' ? this.exercises().get(segment.exerciseId) : undefined;
      const name =
        segment.type !== 'exercise'
          ? segment.label || upperFirst(segment.type)
          : exercise === undefined
            ? 'Deleted exercise'
            : drillName(segment, exercise);
      const lasts = seconds.get(segment.id) ?? 0;
      return {
        id: segment.id,
        seconds: lasts,
        between: segment.type !== 'exercise',
        name,
        words: `${name}, ${durationWords(lasts)}`,
      };
    });
  });
}

import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { durationWords, segmentWords, type Segment } from '@pomek/core';

/** One segment of a routine: its name, its dose beside or under it, its length; a press selects it. */
@Component({
  selector: 'pk-segment',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="line" [class.open]="open()" [class.selected]="selected()" [class.pause]="segment().type !== 'exercise'">
      <button type="button" class="title" [attr.aria-pressed]="open()" (click)="picked.emit()">
        <span class="number num">{{ index() + 1 }}</span>
        <span class="what">
          <strong>{{ name() }}</strong>
          <span class="small soft num">{{ words() }}</span>
        </span>
      </button>
      @if (uneven()) {
        <span class="uneven small">sides unequal</span>
      }
      <span class="length num">{{ length() }}</span>
    </div>
  `,
  styles: `
    .line {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      padding-right: 0.6rem;
    }
    .title {
      flex: 1;
      display: flex;
      align-items: baseline;
      gap: 0.5rem;
      min-width: 0;
      border: 0;
      background: none;
      color: var(--pk-ink);
      text-align: left;
      padding: 0.3rem 0.4rem;
      cursor: pointer;
    }
    .number {
      min-width: 1.2rem;
      color: var(--pk-soft);
      font-size: 0.89rem;
    }
    .what {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      column-gap: 0.5rem;
      min-width: 0;
      overflow-wrap: anywhere;
    }
    strong {
      font-weight: 600;
    }
    .pause strong {
      font-weight: 400;
      font-style: italic;
    }
    .length {
      font-weight: 600;
      white-space: nowrap;
    }
    .uneven {
      color: var(--pk-doubt);
      background: var(--pk-doubt-wash);
      padding: 0 0.4rem;
      white-space: nowrap;
    }
    .open {
      background: var(--pk-pine-wash);
    }
    .selected {
      box-shadow: inset 4px 0 0 var(--pk-pine);
    }
  `,
})
export class SegmentRow {
  readonly segment = input.required<Segment>();
  readonly index = input.required<number>();
  readonly name = input.required<string>();
  readonly seconds = input.required<number>();
  /** It is the one that is looked at in full. */
  readonly open = input.required<boolean>();
  readonly selected = input(false);
  /** Its exercise is done more on one side, or one way, over the whole routine. */
  readonly uneven = input(false);
  /** How often the round it belongs to is gone through. */
  readonly times = input(1);
  readonly picked = output();

  protected readonly length = computed(() => durationWords(this.seconds()));
  protected readonly words = computed(() => {
    const segment = this.segment();
    const round = this.times() > 1 ? `, in a round of ${this.times()}` : '';
    if (segment.type === 'exercise') return `${segmentWords(segment)}${round}`;
    return `${segment.type === 'rest' ? 'rest' : 'teaching time'}${round}`;
  });
}

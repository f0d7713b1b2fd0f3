import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Where ten played seasons end, as shares of the way to the goal; seven of them reach it. */
const ENDS = [1, 1, 1, 1, 1, 1, 1, 0.78, 0.62, 0.4] as const;
/** Weeks behind, and weeks planned, as heights of their stairs; the third of those planned is a lighter one. */
const BEHIND = [22, 30, 38] as const;
const PLANNED = [46, 54, 34, 62, 70] as const;
const STAIR = 32;
const FLOOR = 96;

/** A small drawing of what a hint says. It adds nothing to the words, and so is passed over by who hears them. */
@Component({
  selector: 'pk-hint-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 300 116" aria-hidden="true" focusable="false">
      @switch (of()) {
        @case ('strength left') {
          <rect class="work" x="50" y="96" width="80" height="8" />
          <rect class="work" x="180" y="96" width="80" height="8" />
          <path class="end" d="M50 84 H292" />
          <path
            class="line"
            d="M50 16 C78 22 112 44 130 62 C145 44 160 34 180 30 C210 36 240 56 260 72 C270 60 280 50 292 42"
          />
          <circle class="least" cx="260" cy="72" r="6" />
          <text x="0" y="20">100 %</text>
          <text x="16" y="88">0 %</text>
          <text x="66" y="116">hold</text>
          <text x="140" y="116">rest</text>
          <text x="204" y="116">hold</text>
        }
        @case ('the terraces') {
          @for (height of behind; track $index) {
            <rect
              class="gone"
              [attr.x]="$index * stair"
              [attr.y]="floor - height"
              [attr.width]="stair - 1"
              [attr.height]="height"
            />
          }
          @for (height of planned; track $index) {
            <rect
              class="planned"
              [attr.x]="(behind.length + $index) * stair"
              [attr.y]="floor - height"
              [attr.width]="stair - 1"
              [attr.height]="height"
            />
          }
          <path class="now" d="M96 10 V98" />
          <path class="flag" d="M257 96 V12 L274 20 L257 28" />
          <text x="102" y="20">today</text>
          <text x="0" y="114">done</text>
          <text x="102" y="114">planned, a week each</text>
        }
        @case ('how many would reach it') {
          <path class="end" d="M0 22 H300" />
          @for (end of ends; track $index) {
            <path class="played" [class.short]="end < 1" [attr.d]="way($index, end)" />
          }
          <path class="flag" d="M250 100 V22" />
          <text x="0" y="16">the goal</text>
          <text x="0" y="114">today</text>
          <text x="222" y="114">its day</text>
        }
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      inline-size: 100%;
      margin-block: 0.25rem 0.5rem;
    }
    text {
      font: 14px var(--pk-text);
      fill: var(--pk-soft);
    }
    path {
      fill: none;
    }
    .work,
    .gone {
      fill: var(--pk-line-strong);
    }
    .planned {
      fill: var(--pk-pine);
    }
    .line,
    .played {
      stroke: var(--pk-pine);
      stroke-width: 2;
    }
    .played.short {
      stroke: var(--pk-doubt);
      stroke-dasharray: 4 3;
    }
    .end {
      stroke: var(--pk-line-strong);
      stroke-dasharray: 3 3;
    }
    .now {
      stroke: var(--pk-amber);
      stroke-width: 3;
    }
    .flag {
      stroke: var(--pk-ink);
      stroke-width: 2;
    }
    .least {
      fill: var(--pk-amber);
      stroke: var(--pk-ink);
      stroke-width: 2;
    }
  `,
})
export class HintPicture {
  readonly of = input.required<'strength left' | 'the terraces' | 'how many would reach it'>();
  protected readonly ends = ENDS;
  protected readonly behind = BEHIND;
  protected readonly planned = PLANNED;
  protected readonly stair = STAIR;
  protected readonly floor = FLOOR;

  /** One season: it rises to the goal, sooner or later, and stays there; or it ends below it. */
  protected way(index: number, end: number): string {
    const [from, goal, day] = [100, 22, 250];
    const top = from - end * (from - goal);
    const reached = end < 1 ? day : 130 + index * 18;
    return `M0 ${from} Q${reached / 2} ${(from + top) / 2 + 8} ${reached} ${top} H${day}`;
  }
}

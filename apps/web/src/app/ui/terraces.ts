import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { axisWords, shortAxisWords, type Axis } from '@pomek/core';
import { layoutTerraces, type TerraceInput } from './terraces.layout';

export interface TargetMove {
  /** Weeks later (or earlier), and the dose it is moved to. */
  readonly weeks: number;
  readonly dose: number;
}

/** One strand as terraces over the weeks; its target can be dragged. */
@Component({
  selector: 'pk-terraces',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let it = drawing();
    <svg
      role="img"
      [attr.aria-label]="label()"
      [attr.viewBox]="'0 0 ' + it.width + ' ' + it.height"
      [attr.width]="it.width"
      [attr.height]="it.height"
      (pointermove)="move($event)"
      (pointerup)="release()"
      (pointercancel)="drag.set(null)"
    >
      @for (rung of it.rungs; track $index) {
        <line class="rung" x1="58" [attr.x2]="it.width" [attr.y1]="rung.y" [attr.y2]="rung.y" />
        <text class="rung-words" x="54" [attr.y]="rung.y + 4">{{ rungWords(rung.dose) }}</text>
      }
      @for (shape of it.shapes; track shape.week) {
        <rect
          [attr.class]="'terrace ' + shape.kind + (shape.past ? ' past' : '')"
          [attr.x]="shape.x"
          [attr.y]="shape.y"
          [attr.width]="shape.width - 0.6"
          [attr.height]="shape.height"
        />
      }
      @if (it.band !== '') {
        <path class="band" [attr.d]="it.band" />
      }
      @if (it.beside !== '') {
        <path class="beside" [attr.d]="it.beside" />
      }
      <path class="edge" [attr.d]="it.edge" />
      @for (dot of it.dots; track $index) {
        <circle [attr.class]="'dot' + (dot.met ? ' met' : '')" [attr.cx]="dot.x" [attr.cy]="dot.y" r="3.2" />
      }
      <line class="now-line" [attr.x1]="it.nowX" [attr.x2]="it.nowX" y1="8" [attr.y2]="it.base" />
      @for (tick of it.ticks; track tick.week) {
        <text class="tick" [attr.x]="tick.x" [attr.y]="it.base + 16">{{ tick.week }}</text>
      }
      <g class="target" (pointerdown)="press($event)">
        <circle [attr.cx]="target().x" [attr.cy]="target().y" r="14" class="reach" />
        <path [attr.d]="'M' + target().x + ' ' + (target().y + 12) + 'v-24l13 6l-13 6'" />
      </g>
      @if (wish(); as it) {
        <text class="wish" [attr.x]="target().x - 14" [attr.y]="target().y - 14">{{ it }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      max-width: 100%;
      touch-action: pan-y;
    }
    .rung {
      stroke: var(--pk-line);
      stroke-dasharray: 2 4;
    }
    .rung-words {
      text-anchor: end;
    }
    text {
      font-size: 12px;
      fill: var(--pk-soft);
      font-variant-numeric: tabular-nums;
    }
    .terrace {
      fill: var(--pk-pine-wash);
    }
    .past {
      fill: var(--pk-line);
    }
    .nothing {
      fill: var(--pk-sunk);
    }
    .lighter {
      fill: var(--pk-doubt-wash);
    }
    .holiday,
    .frozen {
      fill: var(--pk-sunk);
    }
    .overruled {
      fill: var(--pk-right-wash);
    }
    .edge {
      fill: none;
      stroke: var(--pk-pine);
      stroke-width: 2.2;
    }
    .beside {
      fill: none;
      stroke: var(--pk-ink);
      stroke-width: 1.6;
      stroke-dasharray: 5 4;
    }
    .band {
      fill: var(--pk-amber);
      opacity: 0.35;
    }
    .dot {
      fill: var(--pk-sheet);
      stroke: var(--pk-ink);
      stroke-width: 1.4;
    }
    .met {
      fill: var(--pk-ink);
    }
    .now-line {
      stroke: var(--pk-amber);
      stroke-width: 2;
    }
    .target {
      cursor: grab;
    }
    .target path {
      fill: var(--pk-pine);
      stroke: var(--pk-pine);
      stroke-width: 2;
    }
    .reach {
      fill: transparent;
    }
    .wish {
      text-anchor: end;
      font-weight: 700;
      fill: var(--pk-ink);
    }
  `,
})
export class Terraces {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly input = input.required<TerraceInput>();
  readonly axis = input.required<Axis>();
  readonly label = input.required<string>();
  readonly moved = output<TargetMove>();

  protected readonly drawing = computed(() => layoutTerraces(this.input()));
  protected readonly drag = signal<{ fromX: number; fromY: number; x: number; y: number } | null>(null);
  private readonly wished = computed((): TargetMove | null => {
    const drag = this.drag();
    if (drag === null) return null;
    const { pxPerWeek, pxPerUnit } = this.drawing();
    const { target, step } = this.input().strand;
    const dose = Math.max(step, Math.round((target - (drag.y - drag.fromY) / pxPerUnit) / step) * step);
    return { weeks: Math.round((drag.x - drag.fromX) / pxPerWeek), dose };
  });
  protected readonly target = computed(() => {
    const wish = this.wished();
    const { target, pxPerWeek, pxPerUnit } = this.drawing();
    if (wish === null) return target;
    return {
      x: target.x + wish.weeks * pxPerWeek,
      y: target.y - (wish.dose - this.input().strand.target) * pxPerUnit,
    };
  });
  protected readonly wish = computed(() => {
    const wish = this.wished();
    if (wish === null) return null;
    const weeks = wish.weeks === 0 ? '' : `, ${Math.abs(wish.weeks)} weeks ${wish.weeks > 0 ? 'later' : 'earlier'}`;
    return `${this.words(wish.dose)}${weeks}`;
  });

  protected rungWords(dose: number): string {
    return shortAxisWords(dose, this.axis());
  }

  protected words(dose: number): string {
    return axisWords(dose, this.axis());
  }

  protected press(event: PointerEvent): void {
    if (event.button !== 0) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const { x, y } = this.place(event);
    this.drag.set({ fromX: x, fromY: y, x, y });
  }

  protected move(event: PointerEvent): void {
    const drag = this.drag();
    if (drag !== null) this.drag.set({ ...drag, ...this.place(event) });
  }

  protected release(): void {
    const wish = this.wished();
    this.drag.set(null);
    if (wish !== null && (wish.weeks !== 0 || wish.dose !== this.input().strand.target)) this.moved.emit(wish);
  }

  private place(event: PointerEvent): { x: number; y: number } {
    const box = this.host.nativeElement.querySelector('svg')!.getBoundingClientRect();
    const scale = box.width === 0 ? 1 : this.drawing().width / box.width;
    return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale };
  }
}

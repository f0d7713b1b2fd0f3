import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { axisWords, shortAxisWords, type Axis } from '@pomek/core';
import { layoutTerraces, type TerraceInput } from './terraces.layout';

export interface TargetMove {
  /** Weeks later (or earlier), and the dose it is moved to. */
  readonly weeks: number;
  readonly dose: number;
}

let count = 0;

/** One strand as terraces over the weeks; its target can be dragged, or moved by the arrow keys. */
@Component({
  selector: 'pk-terraces',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './terraces.html',
  styleUrl: './terraces.scss',
})
export class Terraces {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly input = input.required<TerraceInput>();
  readonly axis = input.required<Axis>();
  readonly label = input.required<string>();
  /** How the goal is called to who cannot see it. */
  readonly goal = input('Goal');
  readonly moved = output<TargetMove>();

  protected readonly away = `away-${(count += 1)}`;
  protected readonly lighter = `lighter-${count}`;
  /** It is drawn as wide as it stands there, so that what is written in it is as large as everywhere; 0 before that is known. */
  private readonly width = signal(0);
  protected readonly drawing = computed(() =>
    layoutTerraces(this.width() === 0 ? this.input() : { ...this.input(), widthPx: this.width() }),
  );
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
  protected readonly goalWords = computed(
    () => `${this.words(this.input().strand.target)} in week ${this.input().targetWeek + 1}`,
  );

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const measure = (): void => this.width.set(Math.round(this.host.nativeElement.clientWidth));
      measure();
      if (typeof ResizeObserver === 'undefined') return;
      const observer = new ResizeObserver(measure);
      observer.observe(this.host.nativeElement);
      destroyed.onDestroy(() => observer.disconnect());
    });
  }

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

  /** ↑ ↓ by a step of the dose, ← → by a week. */
  protected onKey(event: KeyboardEvent): void {
    const { target, step } = this.input().strand;
    const moves: Record<string, TargetMove> = {
      ArrowUp: { weeks: 0, dose: target + step },
      ArrowDown: { weeks: 0, dose: Math.max(step, target - step) },
      ArrowLeft: { weeks: -1, dose: target },
      ArrowRight: { weeks: 1, dose: target },
    };
    const move = moves[event.key];
    if (move === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    this.moved.emit(move);
  }

  private place(event: PointerEvent): { x: number; y: number } {
    const box = this.host.nativeElement.querySelector('svg')!.getBoundingClientRect();
    const scale = box.width === 0 ? 1 : this.drawing().width / box.width;
    return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale };
  }
}

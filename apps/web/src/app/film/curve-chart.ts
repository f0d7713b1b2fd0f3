import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  output,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { boundsOf } from '@pomek/core';
import { Chart } from '../ui/chart';

/** One line of a chart of curves. */
export interface CurveLine {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number | null }[];
}

/** A figure through one film, or through two in step, the second one dashed; a press goes to that moment. */
@Component({
  selector: 'pk-curve',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas #canvas role="img" [attr.aria-label]="said()" (click)="press($event)"></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 9rem;
      min-width: 0;
      /* In a window that has become narrower the canvas is as wide as before for a moment. */
      overflow: clip;
    }
    canvas {
      cursor: pointer;
    }
  `,
})
export class CurveChart {
  readonly name = input.required<string>();
  readonly unit = input.required<string>();
  readonly lines = input.required<readonly CurveLine[]>();
  /** What runs to the right, and between which ends. */
  readonly along = input.required<string>();
  readonly from = input.required<number>();
  readonly to = input.required<number>();
  /** The moment that is shown. */
  readonly at = input.required<number>();
  readonly go = output<number>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly bounds = computed(
    () => boundsOf(this.lines().flatMap(({ points }) => points.map(({ y }) => y))) ?? ([0, 0] as const),
  );
  protected readonly said = computed(() => {
    const each = this.lines().map(({ name, points }) => {
      const [least, most] = boundsOf(points.map(({ y }) => y)) ?? [0, 0];
      return `${name} from ${least.toFixed(1)} to ${most.toFixed(1)} ${this.unit()}`;
    });
    return `${this.name()}: ${each.join('; ')}`;
  });
  private chart: Chart<'line'> | null = null;

  constructor() {
    effect(() => {
      const canvas = this.canvas().nativeElement;
      const lines = this.lines();
      const [min, max, along, unit] = [this.from(), this.to(), this.along(), this.unit()];
      this.chart?.destroy();
      this.chart = null;
      if (canvas.getContext('2d') === null) return;
      const style = getComputedStyle(canvas);
      const ink = style.getPropertyValue('--pk-ink') || '#1d2b29';
      const mark = style.getPropertyValue('--pk-amber') || '#b26a00';
      this.chart = new Chart(canvas, {
        type: 'line',
        data: {
          datasets: [
            { data: [], borderColor: mark, borderWidth: 2, pointRadius: 0 },
            ...lines.map(({ name, points }, at) => ({
              label: name,
              data: points.map(({ x, y }) => ({ x, y: y ?? Number.NaN })),
              borderColor: ink,
              borderWidth: 1.5,
              borderDash: at === 0 ? [] : [6, 4],
              pointRadius: 0,
            })),
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              min,
              max,
              ticks: { color: ink, includeBounds: false },
              title: { display: true, text: along, color: ink },
            },
            y: { ticks: { color: ink }, title: { display: true, text: unit, color: ink } },
          },
        },
      });
    });
    effect(() => {
      const [x, [least, most]] = [this.at(), this.bounds()];
      this.lines();
      if (this.chart === null) return;
      this.chart.data.datasets[0]!.data = [
        { x, y: least },
        { x, y: most },
      ];
      this.chart.update('none');
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  protected press(event: MouseEvent): void {
    const scale = this.chart?.scales['x'];
    const value = scale?.getValueForPixel(event.offsetX);
    if (value !== undefined) this.go.emit(value);
  }
}

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
import type { Curve } from '@pomek/core';
import { Chart } from '../ui/chart';

/** One figure through a film; a press goes to that moment. */
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
    }
    canvas {
      cursor: pointer;
    }
  `,
})
export class CurveChart {
  readonly curve = input.required<Curve>();
  readonly seconds = input.required<readonly number[]>();
  /** The moment that is shown, s. */
  readonly at = input.required<number>();
  readonly go = output<number>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly bounds = computed(() => {
    const known = this.curve().values.filter((value) => value !== null);
    return [Math.min(...known), Math.max(...known)] as const;
  });
  protected readonly said = computed(() => {
    const [least, most] = this.bounds();
    const { name, unit } = this.curve();
    return `${name} through the film: from ${least.toFixed(1)} to ${most.toFixed(1)} ${unit}`;
  });
  private chart: Chart<'line'> | null = null;

  constructor() {
    effect(() => {
      const canvas = this.canvas().nativeElement;
      const [curve, seconds] = [this.curve(), this.seconds()];
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
            {
              data: curve.values.map((y, frame) => ({ x: seconds[frame]!, y: y ?? Number.NaN })),
              borderColor: ink,
              borderWidth: 1.5,
              pointRadius: 0,
            },
            { data: [], borderColor: mark, borderWidth: 2, pointRadius: 0 },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              min: seconds[0] ?? 0,
              max: seconds.at(-1) ?? 1,
              ticks: { color: ink },
              title: { display: true, text: 'seconds of the film', color: ink },
            },
            y: { ticks: { color: ink }, title: { display: true, text: curve.unit, color: ink } },
          },
        },
      });
    });
    effect(() => {
      const [x, [least, most]] = [this.at(), this.bounds()];
      this.curve();
      if (this.chart === null) return;
      this.chart.data.datasets[1]!.data = [
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

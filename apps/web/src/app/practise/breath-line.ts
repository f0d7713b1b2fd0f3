import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { layoutBreathLine } from '../ui/breath-line.layout';
import type { Moment } from './moment';

const WIDTH = 900;
const HEIGHT = 180;

/** The line to follow with the breath: it rises with the breath in and sinks with the breath out. */
@Component({
  selector: 'pk-breath-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ${WIDTH} ${HEIGHT}'"
      role="img"
      aria-label="Breath line: rising is in, sinking is out"
      preserveAspectRatio="none"
    >
      <path
        [attr.d]="shapes().path"
        fill="none"
        stroke="var(--pk-line-strong)"
        stroke-width="4"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <span class="bead" [style.left.%]="left()" [style.top.%]="top()"></span>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      height: min(20vh, 11rem);
    }
    svg {
      width: 100%;
      height: 100%;
    }
    .bead {
      position: absolute;
      width: 2rem;
      height: 2rem;
      margin: -1rem 0 0 -1rem;
      border-radius: 50%;
      background: var(--pk-amber);
      border: 3px solid var(--pk-pine);
    }
  `,
})
export class BreathLine {
  readonly breath = input.required<NonNullable<Moment['breath']>>();
  protected readonly shapes = computed(() =>
    layoutBreathLine({ ...this.breath(), behind: 4, ahead: 14, width: WIDTH, height: HEIGHT }),
  );
  protected readonly left = computed(() => (100 * this.shapes().bead.x) / WIDTH);
  protected readonly top = computed(() => (100 * this.shapes().bead.y) / HEIGHT);
}

import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { FloorLayout } from './floor.layout';

/** The floor from above in centimetres, forward at the top; a line every ten. */
@Component({
  selector: 'pk-floor-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let it = drawing();
    <svg
      role="img"
      [attr.aria-label]="label()"
      [attr.viewBox]="'0 0 ' + it.widthCm + ' ' + it.heightCm"
      [attr.width]="it.widthCm * pxPerCm()"
      [attr.height]="it.heightCm * pxPerCm()"
    >
      @for (x of it.grid.columns; track x) {
        <line class="grid" [attr.x1]="x" [attr.x2]="x" y1="0" [attr.y2]="it.heightCm" />
      }
      @for (y of it.grid.rows; track y) {
        <line class="grid" [attr.y1]="y" [attr.y2]="y" x1="0" [attr.x2]="it.widthCm" />
      }
      @for (line of [it.middle, it.heelLine]; track $index) {
        <line class="axis" [attr.x1]="line[0].x" [attr.y1]="line[0].y" [attr.x2]="line[1].x" [attr.y2]="line[1].y" />
      }
      <line
        class="between"
        [attr.x1]="it.between[0].x"
        [attr.y1]="it.between[0].y"
        [attr.x2]="it.between[1].x"
        [attr.y2]="it.between[1].y"
      />
      @for (foot of it.feet; track foot.side) {
        <path [attr.class]="'foot ' + foot.side" [attr.d]="foot.path" />
        <line
          class="foot-line"
          [attr.x1]="foot.line[0].x"
          [attr.y1]="foot.line[0].y"
          [attr.x2]="foot.line[1].x"
          [attr.y2]="foot.line[1].y"
        />
        <path class="press" [attr.d]="'M' + (foot.pressure.x - 1.2) + ' ' + foot.pressure.y + 'h2.4m-1.2 -1.2v2.4'" />
        <text [attr.x]="foot.label.x" [attr.y]="foot.label.y">{{ foot.words }}</text>
      }
      <path class="weight" [attr.d]="'M' + it.weight.x + ' ' + (it.weight.y - 1.5) + 'l-1.6 3h3.2Z'" />
      @for (measure of it.measures; track $index) {
        <line
          class="measure"
          [attr.x1]="measure.from.x"
          [attr.y1]="measure.from.y"
          [attr.x2]="measure.to.x"
          [attr.y2]="measure.to.y"
        />
        <text [attr.x]="measure.label.x" [attr.y]="measure.label.y">
          {{ measure.words }}
        </text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      max-width: 100%;
      height: auto;
      background: var(--pk-sunk);
      border-radius: 4px;
    }
    .grid {
      stroke: var(--pk-line);
      stroke-width: 0.15;
    }
    .axis {
      stroke: var(--pk-line-strong);
      stroke-width: 0.35;
      stroke-dasharray: 2 1.2;
    }
    .foot {
      fill: var(--pk-sheet);
      stroke-width: 0.6;
    }
    .left {
      stroke: var(--pk-left);
    }
    .right {
      stroke: var(--pk-right);
      stroke-dasharray: 0.4 1.1;
      stroke-linecap: round;
      stroke-width: 0.9;
    }
    .foot-line,
    .between {
      stroke: var(--pk-ink);
      stroke-width: 0.25;
    }
    .between {
      stroke: var(--pk-pine);
    }
    .press {
      stroke: var(--pk-ink);
      stroke-width: 0.5;
    }
    .weight {
      fill: var(--pk-pine);
    }
    .measure {
      stroke: var(--pk-ink);
      stroke-width: 0.3;
    }
    text {
      font-size: 3.4px;
      text-anchor: middle;
      fill: var(--pk-ink);
    }
  `,
})
export class FloorDrawing {
  readonly drawing = input.required<FloorLayout>();
  readonly pxPerCm = input(4);
  readonly label = input.required<string>();
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { chainPath, chainPathWords, facingWords, type Chain, type Exercise, type School } from '@pomek/core';
import { layoutChainFloor } from '../ui/chain-floor.layout';

/** The way of a chain over the floor, where it ends, and what it takes to begin again. */
@Component({
  selector: 'pk-chain-floor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as it) {
      <svg
        role="img"
        [attr.aria-label]="lines().join(' ')"
        [attr.viewBox]="'0 0 ' + it.width + ' ' + it.height"
        [attr.width]="it.width"
      >
        <rect class="floor" x="1" y="1" [attr.width]="it.width - 2" [attr.height]="it.height - 2" />
        <text class="front" [attr.x]="it.width / 2" y="14">{{ front() }}</text>
        @if (it.other !== '') {
          <path class="other" [attr.d]="it.other" />
        }
        <path class="way" [attr.d]="it.way" />
        @for (arrow of it.arrows; track $index) {
          <path class="arrow" [attr.d]="arrow" />
        }
        @for (stop of it.stops; track $index) {
          <circle class="stop" [attr.cx]="stop.at.x" [attr.cy]="stop.at.y" r="4" />
          <text [attr.x]="stop.label.x" [attr.y]="stop.label.y">{{ stop.words }}</text>
        }
        <circle class="start" [attr.cx]="it.start.x" [attr.cy]="it.start.y" r="6" />
      </svg>
    }
    <div class="stack words">
      @for (line of lines(); track $index) {
        <p class="small">{{ line }}</p>
      }
      @if (drawing() !== null) {
        <p class="small soft">
          Large dot: where it begins. Numbers: where a piece ends; the arrow is the way one faces then.
          @if (chain().bothSides) {
            The broken line goes to the other side.
          }
        </p>
      }
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.75rem 1.25rem;
      align-items: start;
    }
    svg {
      max-width: 100%;
      height: auto;
      flex: 0 1 auto;
    }
    .words {
      flex: 1 1 12rem;
      gap: 0.4rem;
    }
    .floor {
      fill: var(--pk-sheet);
      stroke: var(--pk-line);
      stroke-dasharray: 4 4;
    }
    .way {
      fill: none;
      stroke: var(--pk-pine);
      stroke-width: 2;
    }
    .other {
      fill: none;
      stroke: var(--pk-doubt);
      stroke-width: 2;
      stroke-dasharray: 6 5;
    }
    .arrow,
    .stop {
      fill: var(--pk-pine);
    }
    .start {
      fill: var(--pk-amber);
      stroke: var(--pk-ink);
    }
    text {
      font-size: 12px;
      fill: var(--pk-ink);
      stroke: var(--pk-sheet);
      stroke-width: 3;
      paint-order: stroke;
    }
    .front {
      text-anchor: middle;
      fill: var(--pk-soft);
    }
  `,
})
export class ChainFloorView {
  readonly chain = input.required<Chain>();
  readonly shelf = input.required<ReadonlyMap<string, Exercise>>();
  readonly school = input.required<School>();

  private readonly path = computed(() => chainPath(this.chain(), this.shelf()));
  protected readonly lines = computed(() => chainPathWords(this.path(), this.chain().stepMetres));
  protected readonly front = computed(() => facingWords(0, this.school().corners));
  protected readonly drawing = computed(() => {
    const path = this.path();
    return path.end.kind === 'stays' ? null : layoutChainFloor(path, { width: 280, height: 240 });
  });
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { bodyMap, type BodySpot } from '@pomek/core';

/** The body and its places. */
export const map = bodyMap();

/** A body seen from behind on which places are tapped. */
@Component({
  selector: 'pk-body-tap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box" role="group" [attr.aria-label]="label() + ', seen from behind'">
      <g aria-hidden="true">
        @for (path of paths; track $index) {
          <path class="flesh" [attr.d]="path" />
        }
      </g>
      @for (spot of spots(); track $index) {
        <g
          class="spot"
          role="button"
          [class.on]="chosen().includes(spot.words)"
          [attr.tabindex]="spot.again ? -1 : 0"
          [attr.aria-hidden]="spot.again ? true : null"
          [attr.aria-label]="spot.words"
          [attr.aria-pressed]="chosen().includes(spot.words)"
          (click)="tapped.emit(spot)"
          (keydown.enter)="tapped.emit(spot)"
          (keydown.space)="tapped.emit(spot); $event.preventDefault()"
        >
          <title>{{ spot.words }}</title>
          <circle class="reach" [attr.cx]="spot.x" [attr.cy]="spot.y" r="21" />
          <circle class="mark" [attr.cx]="spot.x" [attr.cy]="spot.y" r="9" />
        </g>
      }
    </svg>
    <p class="small soft said" aria-hidden="true">{{ chosen().length === 0 ? label() : chosen().join(', ') }}</p>
  `,
  styles: `
    :host {
      display: grid;
      justify-items: center;
      gap: 0.25rem;
    }
    svg {
      height: 15rem;
      max-width: 100%;
      touch-action: manipulation;
    }
    .flesh {
      fill: var(--pk-line);
      stroke: var(--pk-line);
    }
    .reach {
      fill: transparent;
    }
    .mark {
      fill: var(--pk-sheet);
      stroke: var(--pk-pine);
      stroke-width: 2;
    }
    .spot {
      cursor: pointer;
      outline: none;
    }
    .spot:hover .mark,
    .spot:focus-visible .mark {
      stroke-width: 5;
    }
    .on .mark {
      fill: var(--pk-danger);
      stroke: var(--pk-danger);
    }
    .said {
      margin: 0;
      text-align: center;
    }
  `,
})
export class BodyTap<Place extends string> {
  readonly spots = input.required<readonly BodySpot<Place>[]>();
  /** What is chosen, in the words of the places. */
  readonly chosen = input.required<readonly string[]>();
  readonly label = input.required<string>();
  readonly tapped = output<BodySpot<Place>>();

  protected readonly paths = map.paths;
  protected readonly box = map.box;
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { TRUSTED, drawnLines, filmFromWords } from '@pomek/core';
import { DayPipe } from '../ui/day.pipe';
import { FilmOpening } from './film-opening';
import type { FollowedFilm } from './followed-film';

/** One of two films beside each other: the frame that is shown, with what is believed in it. */
@Component({
  selector: 'pk-film-pane',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayPipe, FilmOpening],
  template: `
    @if (of().reel.trouble(); as trouble) {
      <p class="wrong" role="alert">{{ trouble }}</p>
    }
    @if (of().still(); as it) {
      @if (of().reel.isThere()) {
        <svg
          [class.mirrored]="mirrored()"
          [attr.viewBox]="'0 0 ' + it.width + ' ' + it.height"
          role="img"
          [attr.aria-label]="said()"
        >
          <rect class="ground" [attr.width]="it.width" [attr.height]="it.height" />
          @if (of().reel.picture(); as picture) {
            <image [attr.href]="picture" [attr.width]="it.width" [attr.height]="it.height" />
          }
          @for (line of lines(); track $index) {
            <line
              [attr.class]="line.side"
              [attr.x1]="line.from.x"
              [attr.y1]="line.from.y"
              [attr.x2]="line.to.x"
              [attr.y2]="line.to.y"
            />
          }
        </svg>
      } @else {
        <pk-film-opening [of]="of()" />
      }
      <p class="small">
        <strong>{{ it.name }}</strong>, {{ it.day | pkDay }}, seen {{ view() }}{{ mirrored() ? ', in a mirror' : '' }}
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.25rem;
      align-content: start;
      min-width: 0;
    }
    svg {
      display: block;
      width: 100%;
      max-height: min(52vh, 34rem);
    }
    .mirrored {
      transform: scaleX(-1);
    }
    .ground {
      fill: var(--pk-sunk);
    }
    line {
      stroke: #fff;
      stroke-width: 0.7%;
      stroke-linecap: round;
    }
    .left {
      stroke: #c9d6ff;
      stroke-dasharray: 2.4% 1.2%;
    }
    .right {
      stroke: #ffd9a8;
    }
  `,
})
export class FilmPane {
  readonly of = input.required<FollowedFilm>();
  readonly mirrored = input(false);
  protected readonly view = computed(() => filmFromWords(this.of().still()?.from ?? 'right'));
  protected readonly lines = computed(() => {
    const believed = Object.entries(this.of().points()).filter(([, { trust }]) => trust >= TRUSTED);
    return drawnLines(this.of().still()?.from ?? 'right', Object.fromEntries(believed));
  });
  protected readonly said = computed(
    () => `The film ${this.of().still()?.name ?? ''} at ${this.of().reel.shownAt().toFixed(2)} s`,
  );
}

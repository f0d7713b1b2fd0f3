import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { filmFromWords, marksAt } from '@pomek/core';
import { DayPipe } from '../ui/day.pipe';
import { StillPicture } from '../ui/still-picture';
import { FilmOpening } from './film-opening';
import type { FollowedFilm } from './followed-film';

/** One of two films beside each other: the frame that is shown, with what is believed in it. */
@Component({
  selector: 'pk-film-pane',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayPipe, FilmOpening, StillPicture],
  template: `
    @if (of().reel.trouble(); as trouble) {
      <p class="wrong" role="alert">{{ trouble }}</p>
    }
    @if (of().still(); as it) {
      @if (of().reel.isThere()) {
        <pk-still
          [still]="it"
          [frame]="frame()"
          [class.mirrored]="mirrored()"
          [style.aspect-ratio]="it.width + ' / ' + it.height"
        />
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
    pk-still {
      width: 100%;
      max-height: min(52vh, 34rem);
    }
    .mirrored {
      transform: scaleX(-1);
    }
  `,
})
export class FilmPane {
  readonly of = input.required<FollowedFilm>();
  readonly mirrored = input(false);
  protected readonly view = computed(() => filmFromWords(this.of().still()?.from ?? 'right'));
  protected readonly frame = computed(() => {
    const { still, reel, film, points, frame } = this.of();
    const followed = film();
    return {
      picture: reel.picture(),
      marks: followed == null ? points() : marksAt(followed, frame()),
      said: `The film ${still()?.name ?? ''} at ${reel.shownAt().toFixed(2)} s`,
    };
  });
}

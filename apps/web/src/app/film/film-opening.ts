import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { FileButton } from '../ui/file-button';
import type { FollowedFilm } from './followed-film';

/** Where a film would be shown: that it is being opened, or the way to open it. */
@Component({
  selector: 'pk-film-opening',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileButton],
  template: `
    @let it = of();
    @if (it.reel.opening()) {
      <p role="status">Opening the film…</p>
    } @else if (it.looking()) {
      <p role="status">Looking for the stored film…</p>
    } @else {
      <p>
        @if (it.film(); as known) {
          The film itself is not stored here, what was followed in it is. Open {{ known.file }} again to look at it or
          to follow on.
        } @else {
          Open the film that this still was taken of.
        }
      </p>
      <pk-file-button label="Open the film" accept="video/*" (picked)="it.choose($event)" />
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
      place-content: center;
      min-height: 14rem;
      padding: 1rem;
      border-radius: 4px;
      background: var(--pk-sunk);
    }
  `,
})
export class FilmOpening {
  readonly of = input.required<FollowedFilm>();
}

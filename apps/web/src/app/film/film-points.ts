import { ChangeDetectionStrategy, Component, computed, input, model, output } from '@angular/core';
import {
  TRUSTED,
  doubtsOf,
  markWords,
  marksWanted,
  placeOf,
  secondsOf,
  type Film,
  type FilmFrom,
  type FilmPoint,
} from '@pomek/core';

/** So many doubtful stretches are named. */
const MOST_DOUBTS = 8;

/** The points of a frame, and where in the film they are doubted. */
@Component({
  selector: 'pk-film-points',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="sheet" aria-label="Points">
      <h2>Points in this frame</h2>
      <div class="chips">
        @for (chip of chips(); track chip.name) {
          <button
            type="button"
            class="chip"
            [class.open]="chip.state !== 'followed'"
            [attr.aria-pressed]="active() === chip.name"
            [attr.aria-label]="chip.words + ', ' + chip.state"
            (click)="active.set(chip.name)"
          >
            {{ chip.words }}{{ chip.state === 'followed' ? '' : ', ' + chip.state }}
          </button>
        }
      </div>
      @if (doubts().length > 0) {
        <p class="small">Doubted, and read from nothing there. Go there, drag the point to its place, follow on:</p>
        <ul class="bare small">
          @for (doubt of doubts(); track doubt.name + doubt.frame) {
            <li>
              <button type="button" class="link num" (click)="active.set(doubt.name); go.emit(doubt.frame)">
                {{ doubt.words }}, {{ doubt.when }}
              </button>
            </li>
          }
        </ul>
      }
    </section>
  `,
  styles: `
    .sheet {
      padding: 0.75rem 1rem;
    }
    h2 {
      margin-bottom: 0.25rem;
      font-size: 1.1rem;
    }
    .chips {
      display: flex;
      flex-wrap: wrap;
      gap: 0.35rem;
      margin-bottom: 0.5rem;
    }
    .chip {
      padding: 0.2rem 0.6rem;
      border: 1px solid var(--pk-line);
      border-radius: 4px;
      background: transparent;
      color: inherit;
      font: inherit;
      font-size: 0.9rem;
      cursor: pointer;
    }
    .chip[aria-pressed='true'] {
      border-color: var(--pk-amber);
      outline: 2px solid var(--pk-amber);
    }
    .chip.open {
      border-style: dashed;
    }
    .link {
      padding: 0;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-decoration: underline;
      cursor: pointer;
    }
  `,
})
export class FilmPoints {
  readonly film = input.required<Film>();
  readonly from = input.required<FilmFrom>();
  readonly frame = input.required<number>();
  readonly active = model.required<FilmPoint | null>();
  readonly go = output<number>();

  protected readonly chips = computed(() =>
    marksWanted(this.from()).map((name) => {
      const trust = placeOf(this.film(), this.frame(), name)?.trust ?? null;
      const state = trust === null ? 'not there' : trust < TRUSTED ? 'doubted' : 'followed';
      return { name, words: markWords(name, this.from()), state };
    }),
  );
  /** Where points are doubted, the longest first. */
  protected readonly doubts = computed(() => {
    const film = this.film();
    return marksWanted(this.from())
      .flatMap((name) => doubtsOf(film, name).map((stretch) => ({ name, ...stretch })))
      .toSorted((a, b) => b.to - b.from - (a.to - a.from))
      .slice(0, MOST_DOUBTS)
      .map(({ name, from, to }) => ({
        name,
        frame: from,
        words: markWords(name, this.from()),
        when: `${secondsOf(film, from).toFixed(1)}–${secondsOf(film, to).toFixed(1)} s`,
      }));
  });
}

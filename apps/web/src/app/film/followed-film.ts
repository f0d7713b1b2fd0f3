import { DestroyRef, computed, effect, inject, signal, untracked, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import {
  TRUSTED,
  askedThen,
  frameOf,
  placesOf,
  secondsOf,
  type Film,
  type FilmPoint,
  type Followed,
} from '@pomek/core';
import { KeptFilms } from '../data/kept-films';
import { OpenFilms } from '../data/open-films';
import { Repository } from '../data/repository';
import { filmRead } from './film-read';
import { Filmed } from './filmed';
import { Reel } from './reel';

/** A film of another length is another film, s. */
const ANOTHER = 0.6;
/** So near to its moment the marks of a still are those of the frame that is shown, s. */
const THERE = 0.04;

type Points = Readonly<Partial<Record<FilmPoint, Followed>>>;

/** A film of a still: what was followed in it, what it says, and the file itself where it is there. */
export class FollowedFilm {
  private readonly repository = inject(Repository);
  private readonly opened = inject(OpenFilms);
  private readonly keptFilms = inject(KeptFilms);
  /** Undefined while it is not known, null where there is none. */
  readonly still = toSignal(toObservable(this.stillId).pipe(switchMap((id) => this.repository.one('stills', id))));
  readonly filmed = new Filmed(this.studentId, this.still);
  readonly reel = new Reel(this.still);
  /** It is not known yet whether the film is kept here. */
  readonly looking = signal(false);
  readonly reading = filmRead(this.film, this.still, this.filmed);
  /** What was followed is being read. */
  readonly isRead = computed(
    () => this.reading() === null && this.still() != null && Object.keys(this.film()?.tracks ?? {}).length > 0,
  );
  /** What was asked on the day of the film; null where nothing is known to be done. */
  readonly asked = computed(() => {
    const [still, exercise, known] = [this.still(), this.filmed.exercise(), this.filmed.known()];
    return still == null || exercise === null || known == null ? null : askedThen(still, exercise, known);
  });
  /** The frame that is shown. */
  readonly frame = computed(() => {
    const film = this.film();
    return film == null ? 0 : frameOf(film, this.reel.shownAt());
  });
  /** Where the followed stretch begins and ends, or the film, s. */
  readonly start = computed(() => this.film()?.startSeconds ?? 0);
  readonly end = computed(() => {
    const film = this.film();
    return film == null ? this.reel.seconds() : secondsOf(film, film.frames - 1);
  });
  /** Points of the frame that is shown. */
  readonly points = computed((): Points => {
    const [film, still] = [this.film(), this.still()];
    if (still == null) return {};
    if (film != null) return placesOf(film, this.frame());
    const here = still.atSeconds !== null && Math.abs(still.atSeconds - this.reel.shownAt()) < THERE;
    return Object.fromEntries(
      Object.entries(here ? still.marks : {}).map(([name, spot]) => [name, { ...spot, trust: 100 }]),
    );
  });
  /** Those that are not believed. */
  readonly doubted = computed(
    () =>
      new Set(
        Object.entries(this.points())
          .filter(([, { trust }]) => trust < TRUSTED)
          .map(([name]) => name as FilmPoint),
      ),
  );

  constructor(
    readonly studentId: Signal<string>,
    readonly stillId: Signal<string>,
    readonly film: Signal<Film | null | undefined>,
  ) {
    effect(() => {
      const id = this.stillId();
      untracked(() => {
        this.reel.close();
        void this.openKnown(id);
      });
    });
    inject(DestroyRef).onDestroy(() => this.reel.close());
  }

  /** Opens the file that was chosen. */
  async choose([file]: readonly File[]): Promise<void> {
    if (file !== undefined) await this.use(file);
  }

  /** Opens the film where it was opened before, or is kept here. */
  private async openKnown(stillId: string): Promise<void> {
    this.looking.set(true);
    const file = this.opened.of(stillId) ?? (await this.keptFilms.of(stillId));
    if (this.stillId() !== stillId) return;
    this.looking.set(false);
    if (file !== null && !this.reel.isThere()) await this.use(file);
  }

  private async use(file: File): Promise<void> {
    const good = await this.reel.open(file, (seconds) => {
      const film = this.film();
      return film == null || Math.abs(film.seconds - seconds) <= ANOTHER
        ? ''
        : `${file.name} is ${seconds.toFixed(1)} s long, and the film that was followed ${film.seconds.toFixed(1)} s: it is another one.`;
    });
    if (good) this.opened.set(this.stillId(), file);
  }
}

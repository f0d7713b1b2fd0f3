import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, debounce, of, switchMap, timer } from 'rxjs';
import type { Film, FilmReading, Still } from '@pomek/core';
import { Compute } from '../compute/compute';
import { Notices } from '../data/notices';
import type { Filmed } from './filmed';

/** Marks that follow one another so quickly are read once, ms. */
const TOGETHER = 120;

/** What a followed film says, read beside the page; null while it is not known, or nothing is followed. */
export function filmRead(
  film: Signal<Film | null | undefined>,
  still: Signal<Still | null | undefined>,
  filmed: Filmed,
): Signal<FilmReading | null> {
  const compute = inject(Compute);
  const notices = inject(Notices);
  const question = computed(() => {
    const [followed, from, student] = [film(), still(), filmed.student()];
    if (followed == null || from == null || student == null) return null;
    if (Object.keys(followed.tracks).length === 0 || followed.id !== from.id) return null;
    return { film: followed, still: from, student, exercise: filmed.exercise(), school: filmed.school() };
  });
  const read = toSignal(
    toObservable(question).pipe(
      debounce((asked) => timer(asked === null ? 0 : TOGETHER)),
      switchMap((asked) =>
        asked === null
          ? of(null)
          : compute.result('film', asked).pipe(
              catchError((error: unknown) => {
                notices.failure('The film could not be read', error);
                return of(null);
              }),
            ),
      ),
    ),
    { initialValue: null },
  );
  // What was taken away says nothing any more, before that has gone round.
  return computed(() => (question() === null ? null : read()));
}

import { computed, inject, linkedSignal, signal, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { comparedFigures, filmFromWords, readStill, stillTerms, type Still, type StillReading } from '@pomek/core';
import { Repository } from '../data/repository';
import { shortDay } from '../ui/day-words';
import type { Filmed } from './filmed';

/** The other stills of a student, each by the words it is chosen by: “2 Mar: Squat, from the right”. */
export function otherStills(stills: readonly Still[], own: string): { readonly id: string; readonly name: string }[] {
  return stills
    .filter(({ id }) => id !== own)
    .map(({ id, name, day, from }) => ({ id, name: `${shortDay(day)}: ${name}, ${filmFromWords(from)}` }));
}

/** The still that is chosen to stand beside another one, and what both say next to each other. */
export class StillBeside {
  private readonly repository = inject(Repository);
  private readonly stills = toSignal(
    toObservable(this.filmed.studentId).pipe(switchMap((id) => this.repository.stillsOf(id))),
    { initialValue: [] },
  );
  /** Null where none is chosen; another picture begins without one. */
  readonly id = linkedSignal<string, string | null>({ source: this.own, computation: () => null });
  readonly mirrored = signal(false);
  readonly others = computed(() => otherStills(this.stills(), this.own()));
  readonly options = computed(() => [{ id: null, name: 'nothing' }, ...this.others()]);
  readonly still = computed(() => this.stills().find(({ id }) => id === this.id()) ?? null);
  readonly compared = computed(() => {
    const [still, reading, student] = [this.still(), this.reading(), this.filmed.student()];
    if (still === null || reading === null || student == null) return null;
    const exercise = this.filmed.exercises().find(({ id }) => id === still.exerciseId) ?? null;
    const other = readStill(still, stillTerms(still, student, exercise, this.filmed.school()));
    return comparedFigures(reading.figures, other.figures, this.mirrored());
  });

  /**
   * @param own the still it stands beside, by id
   * @param reading of that still
   */
  constructor(
    private readonly own: Signal<string>,
    private readonly filmed: Filmed,
    private readonly reading: Signal<StillReading | null>,
  ) {}
}

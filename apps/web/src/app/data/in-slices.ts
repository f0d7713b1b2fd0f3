import { DestroyRef, effect, inject, signal, untracked, type Signal } from '@angular/core';

/** So long the page may stand still at a time, ms. */
const SLICE = 12;

/**
 * Does some work for each of a list in short slices, so that the page goes on in between; which are done so far. Whoever stays in the list is not
 * done twice. Called where signals are made.
 */
export function inSlices<T extends object>(list: Signal<readonly T[]>, work: (one: T) => void): Signal<ReadonlySet<T>> {
  const done = signal<ReadonlySet<T>>(new Set());
  let timer: ReturnType<typeof setTimeout> | undefined;
  const go = (all: readonly T[]): void => {
    const known = untracked(done);
    const now = new Set(all.filter((one) => known.has(one)));
    const begun = performance.now();
    for (const one of all) {
      if (now.has(one)) continue;
      if (performance.now() - begun > SLICE) {
        timer = setTimeout(() => {
          go(all);
        });
        break;
      }
      work(one);
      now.add(one);
    }
    done.set(now);
  };
  effect(() => {
    const all = list();
    clearTimeout(timer);
    untracked(() => {
      go(all);
    });
  });
  inject(DestroyRef).onDestroy(() => {
    clearTimeout(timer);
  });
  return done.asReadonly();
}

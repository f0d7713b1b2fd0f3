import { DestroyRef, inject, signal, type Signal } from '@angular/core';

/** A page that is reloaded may still hold what it held, for a moment, ms. */
const AGAIN_MS = 400;

/** Which of several tabs conducts a practice. */
export interface HeldHere {
  /** Whether this one does. */
  readonly here: Signal<boolean>;
  /** Begins to conduct it, unless another tab does. */
  begin(id: string): void;
  /** Conducts it here from now on; another tab gives way. */
  takeOver(id: string): Promise<void>;
}

/** To be called where things can be injected. Where the browser has no locks, a practice is always conducted here. */
export function heldHere(): HeldHere {
  const here = signal(true);
  let release: () => void = () => undefined;
  let over = false;
  const locks = (navigator as { locks?: LockManager }).locks;
  const ask = (id: string, steal: boolean, again: boolean, got: () => void = () => undefined): void => {
    const held = (lock: Lock | null): Promise<void> | void => {
      if (over) return;
      if (lock === null) {
        if (again) setTimeout(() => ask(id, false, false), AGAIN_MS);
        else here.set(false);
        return;
      }
      here.set(true);
      got();
      return new Promise<void>((resolve) => (release = resolve));
    };
    locks
      ?.request(`pomek.practice.${id}`, steal ? { steal: true } : { ifAvailable: true }, held)
      // Another tab has taken it over.
      .catch(() => here.set(false));
  };
  inject(DestroyRef).onDestroy(() => {
    over = true;
    release();
  });
  return {
    here,
    begin: (id) => ask(id, false, true),
    takeOver: (id) =>
      new Promise<void>((resolve) => {
        if (locks === undefined) resolve();
        else ask(id, true, false, resolve);
      }),
  };
}

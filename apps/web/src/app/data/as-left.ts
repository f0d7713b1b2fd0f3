import { Injectable, inject, signal, type WritableSignal } from '@angular/core';

/** What lists and panels were set to, while the app is open. */
@Injectable({ providedIn: 'root' })
class Left {
  readonly all = new Map<string, WritableSignal<unknown>>();
}

/**
 * What a list or a panel was set to: there again after going away and back, forgotten with the page. To be called where things
 * can be injected.
 * @param name which one it is
 */
export function asLeft<T>(name: string, initial: T): WritableSignal<T> {
  const { all } = inject(Left);
  const known = all.get(name) ?? signal<unknown>(initial);
  all.set(name, known);
  return known as WritableSignal<T>;
}

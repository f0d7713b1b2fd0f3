import { signal, type Signal } from '@angular/core';
import { local } from './small-storage';

/** A choice that is there again the next time; it belongs to the browser, not to the records. */
export interface Remembered {
  readonly value: Signal<string | null>;
  set(value: string): void;
}

/** What was chosen under a name before; null where nothing was. */
export function remembered(name: string): Remembered {
  const key = `pomek.${name}`;
  const value = signal(local.getItem(key));
  return {
    value,
    set(chosen) {
      value.set(chosen);
      local.setItem(key, chosen);
    },
  };
}

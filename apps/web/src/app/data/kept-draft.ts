import { inject, signal, type Signal } from '@angular/core';
import type * as z from 'zod';
import { SPACE, type Space } from './space';
import { local } from './small-storage';

/** What is typed into a form that is sent off as a whole, kept with each key until it is. */
export interface KeptDraft<T> {
  readonly value: Signal<T>;
  set(part: Partial<T>): void;
  /** Forgets what was typed: it was sent off, or given up. */
  clear(): void;
}

const PREFIX = 'pomek.draft';

/** Forgets what was typed into forms of a space: after the whole of it was replaced. */
export function forgetDrafts(space: Space): void {
  const keys = local.keys().filter((key) => key.startsWith(`${PREFIX}.${space}.`));
  for (const key of keys) local.removeItem(key);
}

/**
 * A form that leaving does not empty. To be called where things can be injected.
 * @param name which form it is, for which record
 */
export function keptDraft<T extends object>(name: () => string, schema: z.ZodType<T>, empty: T): KeptDraft<T> {
  const space = inject(SPACE);
  const key = (): string => `${PREFIX}.${space}.${name()}`;
  // The same text is the same value: a form bound to it must not see a new one with each look.
  let known: { readonly text: string; readonly value: T } | null = null;
  const parsed = (text: string): T => {
    try {
      return schema.catch(empty).parse(JSON.parse(text));
    } catch {
      return empty;
    }
  };
  const read = (): T => {
    const text = local.getItem(key()) ?? 'null';
    if (known?.text !== text) known = { text, value: parsed(text) };
    return known.value;
  };
  // Read when it is first shown: the name may not be known before.
  const own = signal<{ readonly key: string; readonly value: T } | null>(null);
  const current = (): T => {
    const now = own();
    return now?.key === key() ? now.value : read();
  };
  return {
    value: current as Signal<T>,
    set(part) {
      const value = { ...current(), ...part };
      own.set({ key: key(), value });
      local.setItem(key(), JSON.stringify(value));
    },
    clear() {
      local.removeItem(key());
      own.set({ key: key(), value: empty });
    },
  };
}

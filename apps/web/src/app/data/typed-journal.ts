import { Injectable, inject } from '@angular/core';
import * as z from 'zod';
import { tableNames } from './database';
import { PatchSchema } from './patch';
import { SPACE } from './space';
import { local } from './small-storage';

/** Something typed that is not in the database yet. */
const TypedSchema = PatchSchema.extend({
  table: z.enum(tableNames),
  id: z.string().min(1),
  label: z.string(),
  /** Of a school that is not stored yet: the one it is a copy of, and whose place it takes. */
  copyOf: z.string().optional(),
});
export type Typed = z.infer<typeof TypedSchema>;

const PREFIX = 'pomek.typed';
const locks: LockManager | undefined = 'locks' in navigator ? navigator.locks : undefined;

function read(key: string): Typed[] {
  try {
    return z
      .array(TypedSchema)
      .catch([])
      .parse(JSON.parse(local.getItem(key) ?? '[]'));
  } catch {
    return [];
  }
}

/**
 * What is typed, kept with each key before it is in the database: the database answers later, and a
 * page that is closed does not wait for it. Each page keeps its own list; what a page left behind is
 * taken over by another one as soon as it is gone, which the lock it held tells.
 */
@Injectable({ providedIn: 'root' })
export class TypedJournal {
  private readonly space = inject(SPACE);
  private readonly page = crypto.randomUUID();

  constructor() {
    // Held as long as the page is there; only over a safe connection are there locks.
    if (locks !== undefined) void locks.request(this.lockOf(this.page), () => new Promise<void>(() => undefined));
  }

  /** Replaces this page's list. Where there is no room for it, the database alone has to do. */
  keep(list: readonly Typed[]): void {
    const key = this.keyOf(this.page);
    // Where there is no room, what stood there before stays: it is less than what is typed, and more than nothing.
    if (list.length === 0) local.removeItem(key);
    else local.setItem(key, JSON.stringify(list));
  }

  /** Gives what pages that are gone have left behind; it is forgotten once `take` has returned. */
  leftBehind(take: (list: readonly Typed[]) => void): void {
    const prefix = this.keyOf('');
    const pages = local
      .keys()
      .filter((key) => key.startsWith(prefix) && key !== this.keyOf(this.page))
      .map((key) => key.slice(prefix.length));
    for (const page of pages) {
      const takeOver = (): void => {
        const list = read(this.keyOf(page));
        if (list.length > 0) take(list);
        local.removeItem(this.keyOf(page));
      };
      if (locks === undefined) takeOver();
      else void locks.request(this.lockOf(page), takeOver);
    }
  }

  private keyOf(page: string): string {
    return `${PREFIX}.${this.space}.${page}`;
  }

  private lockOf(page: string): string {
    return `${PREFIX}.${page}`;
  }
}

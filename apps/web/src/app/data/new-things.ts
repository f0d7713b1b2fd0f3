import { Injectable, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, type Params } from '@angular/router';
import { filter } from 'rxjs';
import { Database, type Records } from './database';
import { Store, type Write } from './store';

/** Where a thing can be made that is empty at first. */
type Made = 'students' | 'routines' | 'chains' | 'classes' | 'exercises';
type Making<N extends Made> = [
  label: string,
  table: N,
  record: Records[N],
  page: readonly string[],
  queryParams?: Params,
];
interface New {
  readonly table: Made;
  readonly id: string;
  /** As it was made. */
  readonly text: string;
}

/** Makes new things, each with a page of its own: one that is left as it was made leaves nothing behind. */
@Injectable({ providedIn: 'root' })
export class NewThings {
  private readonly store = inject(Store);
  private readonly database = inject(Database);
  private readonly router = inject(Router);
  private made: readonly New[] = [];
  private making = false;

  constructor() {
    this.router.events
      .pipe(
        filter((event) => event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(({ urlAfterRedirects }) => {
        void this.leave(urlAfterRedirects);
      });
  }

  /** Makes it, and goes to its page; it is taken back where it is left as it was made. */
  async begin<N extends Made>(...making: Making<N>): Promise<void> {
    if (!(await this.make(...making))) return;
    const [, table, record] = making;
    // As it is stored: reading may order and complete it.
    const text = JSON.stringify(await this.database.of(table).get(record.id));
    this.made = [...this.made, { table, id: record.id, text }];
  }

  /**
   * Makes what has content from the beginning, and goes to its page. A second press while it is being made is
   * the same press; whether this one was the first.
   */
  async make<N extends Made>(...[label, table, record, page, queryParams = {}]: Making<N>): Promise<boolean> {
    if (this.making) return false;
    this.making = true;
    try {
      await this.store.write(label, [{ table, add: record } as Write]);
      await this.router.navigate([...page], { queryParams });
      return true;
    } finally {
      this.making = false;
    }
  }

  /** Takes back what was made and is left without a change; only while nothing else was done since. */
  private async leave(address: string): Promise<void> {
    const named = new Set(address.split(/[/?&=#]/).map(decodeURIComponent));
    const left = this.made.filter(({ id }) => !named.has(id));
    this.made = this.made.filter((one) => !left.includes(one));
    for (const { table, id, text } of left.toReversed()) {
      const stored = await this.database.of(table).get(id);
      if (JSON.stringify(stored) === text && this.store.lastMade(table, id)) await this.store.undo();
    }
  }
}

import { Injectable, inject } from '@angular/core';
import { concatMap, firstValueFrom, from, lastValueFrom, mergeMap, tap, toArray, type Observable } from 'rxjs';
import { together, type BundleContents } from '@pomek/core';
import { Compute } from '../compute/compute';
import { alone } from './alone';
import { Clock } from './clock';
import { Notices } from './notices';
import { Opening } from './opening';
import { Repository } from './repository';
import { SPACE } from './space';
import { WholeSpace } from './whole-space';
import { local } from './small-storage';

/** People of the demo that are made at once. */
const AT_ONCE = 2;
/** Where the day stands for which the demo is being made; there only until it is whole. */
const KEY = 'pomek.demo-making';

/** Fills the demo's own space with made-up data whose dates end yesterday. */
@Injectable({ providedIn: 'root' })
export class DemoSpace {
  private readonly space = inject(SPACE);
  private readonly whole = inject(WholeSpace);
  private readonly repository = inject(Repository);
  private readonly compute = inject(Compute);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly opening = inject(Opening);

  /** Makes the demo where there is none, and goes on where a page was closed in the middle of it. */
  async fillWhenEmpty(): Promise<void> {
    if (this.space !== 'demo') return;
    // By this tab, or by the one that was there before.
    await alone(KEY, async () => {
      if (local.getItem(KEY) === null && !(await this.whole.isEmpty())) return;
      await this.busy(() => this.goOn(this.clock.today()));
    });
  }

  /** Makes the demo anew, all at once; what was changed in it is gone. False where that failed, which has been said. */
  async fill(): Promise<boolean> {
    if (this.space !== 'demo') throw new Error('Only the demo can be started over.');
    return this.busy(() => this.allAtOnce(this.clock.today()));
  }

  private async allAtOnce(today: string): Promise<void> {
    const { hall, people } = await firstValueFrom(this.compute.demo(today));
    const made = await lastValueFrom(this.persons(today, people, 0).pipe(toArray()));
    await this.whole.replace(together([hall, ...made]));
  }

  /** Person by person, each stored as soon as it is made. */
  private async goOn(today: string): Promise<void> {
    const { hall, people } = await firstValueFrom(this.compute.demo(today));
    if (local.getItem(KEY) !== today || (await this.whole.isEmpty())) {
      // Where it cannot be noted for which day it is made, nobody could go on with it: it is never left half made.
      if (!local.setItem(KEY, today)) return this.allAtOnce(today);
      await this.whole.replace(hall);
    }
    const there = new Set((await this.repository.read('students')).map(({ id }) => id));
    const missing = people.filter((id) => !there.has(id));
    const stored = this.persons(today, missing, people.length - missing.length).pipe(
      concatMap((made) => this.whole.add(made)),
    );
    await lastValueFrom(stored, { defaultValue: undefined });
    local.removeItem(KEY);
  }

  /** @param done how many are there already */
  private persons(today: string, ids: readonly string[], done: number): Observable<BundleContents> {
    const all = done + ids.length;
    let share = done;
    return from(ids).pipe(
      mergeMap((id) => this.compute.demoPerson(today, id), AT_ONCE),
      tap(() => this.opening.share.set((share += 1) / all)),
    );
  }

  /** Whether it was done; what went wrong has been said. */
  private async busy(work: () => Promise<void>): Promise<boolean> {
    this.opening.busy.set(true);
    try {
      await work();
      return true;
    } catch (error) {
      this.notices.failure('The demo could not be made', error);
      return false;
    } finally {
      this.opening.busy.set(false);
      this.opening.share.set(null);
    }
  }
}

import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { liveQuery } from 'dexie';
import { EMPTY, exhaustMap, filter, firstValueFrom, from, fromEvent, map, merge, switchMap, take, timer } from 'rxjs';
import { Compute } from '../compute/compute';
import { alone } from './alone';
import { Clock } from './clock';
import { CopyFolderSchema, isCopyDue, type CopyFolder as Kept, type Folder } from './copy-folder-schema';
import { Database } from './database';
import { LastChange } from './last-change';
import { Notices, reasonOf } from './notices';
import { SPACE } from './space';

/** A copy is made when nothing has changed for so long, ms; sooner when the page is left. */
const QUIET_MS = 60_000;
const LOCK = 'pomek.copy';
const MODE = { mode: 'readwrite' } as const;

interface Picker {
  readonly showDirectoryPicker?: (options: { readonly id: string; readonly mode: 'readwrite' }) => Promise<Folder>;
}

/** A folder of the teacher's choosing, into which copies go by themselves. */
@Injectable({ providedIn: 'root' })
export class CopyFolder {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly database = inject(Database);
  private readonly change = inject(LastChange);
  private readonly notices = inject(Notices);
  private readonly space = inject(SPACE);
  private readonly table = this.database.table<Kept, string>('folders');

  /** Whether this browser can write into a folder, and there is something to be copied: the demo needs no copies. */
  readonly can = this.space === 'own' && (window as Picker).showDirectoryPicker !== undefined;
  /** What was chosen; null where nothing was, undefined while it is not read. */
  readonly chosen = toSignal(
    from(liveQuery(() => this.table.get('copies'))).pipe(map((kept) => CopyFolderSchema.safeParse(kept).data ?? null)),
  );
  /** Whether the browser lets the page write there without being asked once more; null while that is not known. */
  readonly allowed = signal<boolean | null>(null);
  readonly busy = signal(false);
  /** Something changed since the last copy went into the folder. */
  readonly due = computed(() => {
    const folder = this.chosen();
    return folder != null && this.isDue(folder);
  });

  constructor() {
    effect(() => {
      const folder = this.chosen()?.folder;
      if (folder === undefined) this.allowed.set(null);
      else void this.look(folder);
    });
    const wanted = computed(() => (this.due() && this.allowed() === true ? (this.change.at() ?? '') : null));
    const left = fromEvent(document, 'visibilitychange').pipe(filter(() => document.visibilityState === 'hidden'));
    toObservable(wanted)
      .pipe(
        switchMap((at) => (at === null ? EMPTY : merge(timer(QUIET_MS), left).pipe(take(1)))),
        exhaustMap(() => this.copy((kept) => this.isDue(kept))),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Asks for a folder, and makes the first copy there. Only in answer to a press. */
  async choose(): Promise<void> {
    const folder = await (window as Picker)
      .showDirectoryPicker?.({ id: 'pomek-copies', mode: 'readwrite' })
      .catch((error: unknown) => {
        // Whoever closes the browser's window has chosen nothing.
        if ((error as Error).name !== 'AbortError') this.notices.failure('No folder was chosen', error);
        return undefined;
      });
    if (folder === undefined) return;
    const mark = this.chosen()?.mark ?? this.clock.newId().replaceAll('-', '').slice(0, 6);
    try {
      await this.table.put({ id: 'copies', folder, mark, last: null, trouble: '' });
      await this.allow();
    } catch (error) {
      this.notices.failure('The folder could not be saved', error);
    }
  }

  /** Asks the browser whether the page may write into the folder, and makes a copy. Only in answer to a press. */
  async allow(): Promise<void> {
    const kept = await this.kept();
    if (kept === null) return;
    this.allowed.set((await kept.folder.requestPermission(MODE).catch(() => 'denied')) === 'granted');
    if (this.allowed() === true) await this.make();
  }

  /** No copies go there any more; those that are there stay. */
  async forget(): Promise<void> {
    await this.table.delete('copies');
  }

  /** Makes the copy of today. What goes wrong is noted beside the folder. Never rejects. */
  make(): Promise<void> {
    return this.copy(() => true);
  }

  /** @param isWanted asked once no other tab makes one: it may have been made there */
  private async copy(isWanted: (kept: Kept) => boolean): Promise<void> {
    this.busy.set(true);
    try {
      await alone(LOCK, async () => {
        const kept = await this.kept();
        if (kept !== null && isWanted(kept)) await this.copyInto(kept);
      });
    } catch (error) {
      const trouble = reasonOf(error).slice(0, 2000);
      await this.table.update('copies', { trouble }).catch(() => undefined);
    } finally {
      this.busy.set(false);
    }
  }

  private async copyInto({ folder, mark }: Kept): Promise<void> {
    const [database, today] = [this.database.name, this.clock.today()];
    // What changes while it is made belongs to the next one.
    const now = this.clock.now().toISOString();
    try {
      const last = await firstValueFrom(this.compute.result('copy', { database, folder, mark, now, today }));
      await this.table.update('copies', last === null ? { trouble: '' } : { last, trouble: '' });
    } catch (error) {
      await this.look(folder);
      throw error;
    }
  }

  private isDue(folder: Kept): boolean {
    return isCopyDue(folder, this.change.at(), this.clock.today());
  }

  private async kept(): Promise<Kept | null> {
    return CopyFolderSchema.safeParse(await this.table.get('copies')).data ?? null;
  }

  private async look(folder: Folder): Promise<void> {
    this.allowed.set((await folder.queryPermission(MODE).catch(() => 'denied')) === 'granted');
  }
}

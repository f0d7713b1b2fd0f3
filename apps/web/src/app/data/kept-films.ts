import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable } from 'rxjs';
import * as z from 'zod';
import { dayNumber } from '@pomek/core';
import { Clock } from './clock';
import { Database } from './database';
import { freeBytes } from './free-bytes';

/** A film as it lies in the storage: the file itself, beside whose still. */
const ReelSchema = z.object({
  id: z.string().min(1).max(80),
  studentId: z.string().min(1).max(80),
  name: z.string().max(200),
  /** The day on which its still was first missed; null while it is there. */
  goneOn: z.string().nullable(),
  blob: z.custom<Blob>((value) => typeof value === 'object' && value !== null && 'size' in value && 'type' in value),
});
type Reel = z.infer<typeof ReelSchema>;

/** What is left free beside a film that is kept, bytes: room for the days to come. */
const LEFT_FREE = 50 * 1024 * 1024;
/** A film whose still was removed stays so long, days: removing can be taken back. */
const KEPT_AFTER = 2;

/** There is not room enough for a film. */
export class NoRoomForFilm extends Error {
  override readonly name = 'NoRoomForFilm';
  constructor(readonly freeBytes: number) {
    super('no room');
  }
}

/**
 * Films that a teacher keeps in the browser, by the still that was taken of them. They are no part of a step or of an exported
 * file: a film is large, and lies in its own file besides.
 */
@Injectable({ providedIn: 'root' })
export class KeptFilms {
  private readonly clock = inject(Clock);
  private readonly database = inject(Database);
  private readonly reels = this.database.table<Reel, string>('reels');

  /** @throws NoRoomForFilm before anything is written */
  async keep(stillId: string, studentId: string, file: File): Promise<void> {
    const free = await freeBytes();
    if (free !== null && file.size + LEFT_FREE > free) throw new NoRoomForFilm(free);
    await this.reels.put({
      id: stillId,
      studentId,
      name: file.name.slice(0, 200),
      goneOn: null,
      blob: file,
    });
  }

  async of(stillId: string): Promise<File | null> {
    const read = ReelSchema.safeParse(await this.reels.get(stillId));
    if (!read.success) return null;
    const { blob, name } = read.data;
    return new File([blob], name, { type: blob.type });
  }

  /** Bytes of the film that is kept for a still; null while there is none. */
  sizeOf(stillId: string): Observable<number | null> {
    return new Observable((told) =>
      liveQuery(async () => (await this.reels.get(stillId))?.blob.size ?? null).subscribe(told),
    );
  }

  /** Bytes of all films that are kept of a student. */
  allOf(studentId: string): Observable<number> {
    return new Observable((told) =>
      liveQuery(async () => {
        const reels = await this.reels.where('studentId').equals(studentId).toArray();
        return reels.reduce((sum, { blob }) => sum + blob.size, 0);
      }).subscribe(told),
    );
  }

  remove(stillId: string): Promise<void> {
    return this.reels.delete(stillId);
  }

  /** Takes out films of a student whose stills are gone for so long that nobody takes that back. */
  async tidy(studentId: string): Promise<void> {
    const today = this.clock.today();
    await this.database.transaction('rw', ['stills', 'reels'], async () => {
      const known = new Set(await this.database.of('stills').where('studentId').equals(studentId).primaryKeys());
      const own = await this.reels.where('studentId').equals(studentId).toArray();
      for (const { id, goneOn } of own) {
        const now = known.has(id) ? null : (goneOn ?? today);
        const over = now !== null && dayNumber(today) - dayNumber(now) > KEPT_AFTER;
        if (over) await this.reels.delete(id);
        else if (now !== goneOn) await this.reels.update(id, { goneOn: now });
      }
    });
  }
}

import { Injectable, inject } from '@angular/core';
import { map, shareReplay, type Observable } from 'rxjs';
import { recordingsBy, soundBytes, type Recording, type Recordings } from '@pomek/core';
import { Database } from './database';
import { freeBytes } from './free-bytes';
import { Notices } from './notices';
import { Repository } from './repository';

/** What is left free beside a recording that is kept, bytes: room for the days to come. */
const LEFT_FREE = 5 * 1024 * 1024;

/** There is not room enough for a recording. */
export class NoRoomForRecording extends Error {
  constructor() {
    super(
      'There is no room for it in this browser: remove pictures or films first, or export and remove old recordings.',
    );
  }
}

/**
 * Lines that the teacher has spoken. They are no part of undo, which keeps what was there before: sound is large. What is taken
 * out can be put back at once.
 */
@Injectable({ providedIn: 'root' })
export class KeptRecordings {
  private readonly database = inject(Database);
  private readonly notices = inject(Notices);

  /** All lines, by their words. */
  readonly all$: Observable<Recordings> = inject(Repository)
    .all('recordings')
    .pipe(map(recordingsBy), shareReplay({ bufferSize: 1, refCount: true }));

  /**
   * Keeps a line in place of what was recorded of it before.
   * @throws NoRoomForRecording before anything is written
   */
  async keep(recording: Recording): Promise<void> {
    const free = await freeBytes();
    if (free !== null && soundBytes(recording) + LEFT_FREE > free) throw new NoRoomForRecording();
    await this.database.of('recordings').put(recording);
  }

  async remove(recording: Recording): Promise<void> {
    await this.database.of('recordings').delete(recording.id);
    this.notices.done(`“${recording.id}” removed`, {
      detail: 'The browser’s own voice says it, where there is one.',
      takeBack: () => void this.database.of('recordings').put(recording),
    });
  }
}

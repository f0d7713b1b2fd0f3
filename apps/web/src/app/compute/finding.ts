import type { FoundBody } from '@pomek/core';
import { openFindWorker } from './find-worker.client';
import { FindReplySchema, type FindRequest } from './find.protocol';

/** Why nothing was found: whether the finder itself did not come. */
export class FinderMissing extends Error {
  override readonly name = 'FinderMissing';
}

/** Finds a body beside the page. `end` lets the worker go. */
export class Finding {
  private readonly worker = openFindWorker();

  /**
   * Where the body is on a picture, which is given away; null where nobody is on it.
   * @param looking is called when all is there and the picture is looked at
   * @throws FinderMissing where the finder could not be fetched
   */
  find(frame: ImageBitmap, looking: () => void): Promise<FoundBody | null> {
    return new Promise((resolve, reject) => {
      this.worker.onmessage = (event: MessageEvent<unknown>) => {
        const reply = FindReplySchema.safeParse(event.data);
        if (!reply.success) reject(new Error('What came back from the finder cannot be read.'));
        else if (reply.data.kind === 'looking') looking();
        else if (reply.data.kind === 'error') reject(new Error(reply.data.message));
        else resolve(reply.data.body);
      };
      this.worker.onerror = (event) => {
        event.preventDefault();
        reject(new FinderMissing(event.message));
      };
      const request: FindRequest = { kind: 'find', frame };
      this.worker.postMessage(request, [frame]);
    });
  }

  end(): void {
    this.worker.terminate();
  }
}

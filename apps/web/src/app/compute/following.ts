import { openFollowWorker } from './follow-worker.client';
import { FollowReplySchema, type FollowRequest, type FoundPlaces } from './follow.protocol';

/** Follows points beside the page, one frame after the other. `end` lets the worker go. */
export class Following {
  private readonly worker = openFollowWorker();

  /** Where the points of a frame are; the frame is given away. */
  ask(request: FollowRequest): Promise<FoundPlaces> {
    return new Promise((resolve, reject) => {
      this.worker.onmessage = (event: MessageEvent<unknown>) => {
        const reply = FollowReplySchema.safeParse(event.data);
        if (!reply.success) reject(new Error('What came back from following cannot be read.'));
        else if (reply.data.kind === 'error') reject(new Error(reply.data.message));
        else resolve(reply.data);
      };
      this.worker.onerror = (event) => {
        reject(new Error(event.message));
      };
      this.worker.postMessage(request, [request.frame]);
    });
  }

  end(): void {
    this.worker.terminate();
  }
}

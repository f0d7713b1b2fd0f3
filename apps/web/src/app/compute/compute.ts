import { Injectable } from '@angular/core';
import { Observable, map } from 'rxjs';
import type * as z from 'zod';
import type { BundleContents } from '@pomek/core';
import { DemoReplySchema, ReadReplySchema, ReplySchema, type Request } from './protocol';
import { openWorker } from './worker.client';

export type ReadReply = z.infer<typeof ReadReplySchema>;

/** Runs long work beside the page. Unsubscribing ends the work at once. */
@Injectable({ providedIn: 'root' })
export class Compute {
  readBundle(file: Blob): Observable<ReadReply> {
    return this.ask({ task: 'read-bundle', file }).pipe(map((result) => ReadReplySchema.parse(result)));
  }

  demo(today: string): Observable<BundleContents> {
    return this.ask({ task: 'demo', today }).pipe(map((result) => DemoReplySchema.parse(result)));
  }

  private ask(request: Request): Observable<unknown> {
    return new Observable((subscriber) => {
      const worker = openWorker();
      worker.onmessage = (event: MessageEvent<unknown>) => {
        const reply = ReplySchema.parse(event.data);
        if (reply.kind === 'error') {
          subscriber.error(new Error(reply.message));
          return;
        }
        subscriber.next(reply.result);
        subscriber.complete();
      };
      worker.onerror = (event) => subscriber.error(new Error(event.message));
      worker.postMessage(request);
      return () => worker.terminate();
    });
  }
}

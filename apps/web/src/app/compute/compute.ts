import { Injectable } from '@angular/core';
import { Observable, filter, map, tap } from 'rxjs';
import type { BundleContents } from '@pomek/core';
import * as z from 'zod';
import {
  ReplySchema,
  partSchemas,
  resultSchemas,
  type PartOf,
  type Reply,
  type Request,
  type ResultOf,
  type Task,
} from './protocol';
import { openWorker } from './worker.client';

type Input<T extends Task> = Omit<Extract<Request, { task: T }>, 'task'>;
export type Step<T extends Task> =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'part'; readonly part: PartOf<T> }
  | { readonly kind: 'result'; readonly result: ResultOf<T> };

const NOT_LOADED = 'What computes beside the page could not be loaded. Reload the page once Pomek can be reached.';
const TOO_LONG = 'It went on for two minutes without a sign of progress, and was stopped.';
/**
 * A worker that says nothing for so many ticks in a row is stopped. Ticks, since a machine that sleeps lets all of the time pass in
 * one of them.
 */
const [TICK_MS, SILENT_TICKS] = [10_000, 12] as const;

/**
 * Runs long work beside the page. Unsubscribing ends the work at once. A worker that has answered is
 * kept for the next question.
 */
@Injectable({ providedIn: 'root' })
export class Compute {
  private idle: Worker | null = null;

  /** @param passphrase of a locked copy */
  readBundle(file: Blob, passphrase: string | null = null): Observable<ResultOf<'read-bundle'>> {
    return this.result('read-bundle', { file, passphrase });
  }

  /** What belongs to nobody in the demo, and who else belongs to it. */
  demo(today: string): Observable<ResultOf<'demo'>> {
    return this.result('demo', { today });
  }

  /** One person of the demo, with all that is theirs. */
  demoPerson(today: string, id: string): Observable<BundleContents> {
    return this.result('demo-person', { today, id });
  }

  /** The one result of a task. @param progress is told which share is done */
  result<T extends Task>(
    task: T,
    input: Input<T>,
    progress: (share: number) => void = () => undefined,
  ): Observable<ResultOf<T>> {
    return this.steps(task, input).pipe(
      tap((step) => {
        if (step.kind === 'progress') progress(step.share);
      }),
      filter((step) => step.kind === 'result'),
      map((step) => step.result),
    );
  }

  /** How far a task is, and in the end its result. */
  steps<T extends Task>(task: T, input: Input<T>): Observable<Step<T>> {
    return new Observable((subscriber) => {
      const worker = this.idle ?? openWorker();
      this.idle = null;
      let over = false;
      const giveUp = (error: unknown): void => {
        over = true;
        worker.terminate();
        subscriber.error(error);
      };
      let silent = 0;
      const watch = setInterval(() => {
        silent += 1;
        if (silent >= SILENT_TICKS) giveUp(new Error(TOO_LONG));
      }, TICK_MS);
      const take = (reply: Reply): void => {
        silent = 0;
        if (reply.kind === 'progress') {
          subscriber.next(reply);
          return;
        }
        if (reply.kind === 'part') {
          const schema = task in partSchemas ? partSchemas[task as keyof typeof partSchemas] : z.never();
          subscriber.next({ kind: 'part', part: schema.parse(reply.part) as PartOf<T> });
          return;
        }
        if (reply.kind === 'error') {
          over = true;
          this.keep(worker);
          subscriber.error(new Error(reply.message));
          return;
        }
        const result = resultSchemas[task].parse(reply.result) as ResultOf<T>;
        over = true;
        this.keep(worker);
        subscriber.next({ kind: 'result', result });
        subscriber.complete();
      };
      worker.onmessage = (event: MessageEvent<unknown>) => {
        try {
          take(ReplySchema.parse(event.data));
        } catch (error) {
          // What came is no answer to what was asked: nobody would ever be told otherwise.
          giveUp(error);
        }
      };
      // A worker that could not be loaded says nothing of why.
      worker.onerror = (event) => giveUp(new Error(event.message || NOT_LOADED));
      worker.postMessage({ task, ...input });
      return () => {
        clearInterval(watch);
        if (!over) worker.terminate();
      };
    });
  }

  private keep(worker: Worker): void {
    if (this.idle === null) this.idle = worker;
    else worker.terminate();
  }
}

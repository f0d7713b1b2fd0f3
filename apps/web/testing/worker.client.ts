import { answer } from '../src/app/compute/answer';
import { RequestSchema, type Reply } from '../src/app/compute/protocol';

/** Stands in for the worker in unit tests: the same answers, on the same thread, a moment later. */
class WorkerStandIn {
  onmessage: ((event: MessageEvent<unknown>) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;

  constructor() {
    opened.count += 1;
  }

  postMessage(message: unknown): void {
    const reply = (data: Reply): void => this.onmessage?.({ data } as MessageEvent<unknown>);
    Promise.resolve()
      .then(() =>
        answer(RequestSchema.parse(message), {
          progress: (share) => reply({ kind: 'progress', share }),
          part: (part) => reply({ kind: 'part', part }),
        }),
      )
      .then((result) => reply({ kind: 'result', result }))
      .catch((error: unknown) => reply({ kind: 'error', message: String(error) }));
  }

  terminate(): void {
    this.onmessage = null;
  }
}

/** How many workers were opened. */
export const opened = { count: 0 };
export const openWorker = (): Worker => new WorkerStandIn() as unknown as Worker;

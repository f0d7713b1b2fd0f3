import { demoContents, readBundle } from '@pomek/core';
import { RequestSchema } from '../src/app/compute/protocol';

/** Stands in for the worker in unit tests: the same answers, on the same thread, a moment later. */
class WorkerStandIn {
  onmessage: ((event: MessageEvent<unknown>) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;
  static ended = 0;

  postMessage(message: unknown): void {
    void this.answer(message).then((data) => this.onmessage?.({ data } as MessageEvent<unknown>));
  }

  terminate(): void {
    this.onmessage = null;
    WorkerStandIn.ended += 1;
  }

  private async answer(message: unknown): Promise<unknown> {
    const request = RequestSchema.parse(message);
    if (request.task === 'demo') return { kind: 'result', result: demoContents(request.today) };
    const read = readBundle(await request.file.text());
    const result = read.ok ? { ok: true, contents: read.bundle.contents, writtenAt: read.bundle.writtenAt } : read;
    return { kind: 'result', result };
  }
}

export const openWorker = (): Worker => new WorkerStandIn() as unknown as Worker;

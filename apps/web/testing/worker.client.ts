import { answer } from '../src/app/compute/answer';
import type { FindReply } from '../src/app/compute/find.protocol';
import type { FollowRequest } from '../src/app/compute/follow.protocol';
import { RequestSchema, type Reply } from '../src/app/compute/protocol';

/** Stands in for the worker in unit tests: the same answers, on the same thread, a moment later. */
class WorkerStandIn {
  onmessage: ((event: MessageEvent<unknown>) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;

  constructor() {
    opened.count += 1;
  }

  postMessage(message: unknown): void {
    if (opened.instead !== null) {
      opened.instead(this);
      return;
    }
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
    opened.ended += 1;
  }
}

/** Stands in for the worker that follows points: all stay where they are, in trust that is chosen. */
class FollowStandIn {
  onmessage: ((event: MessageEvent<unknown>) => void) | null = null;
  private places: Record<string, { x: number; y: number; trust: number }> = {};

  postMessage(message: unknown): void {
    const request = message as FollowRequest;
    if (request.kind === 'begin') this.places = {};
    const marks = request.kind === 'begin' ? request.marks : {};
    for (const [name, spot] of Object.entries(marks)) this.places[name] = { ...spot, trust: following.trust };
    const astray = request.kind === 'step' && request.last ? following.astray : {};
    const found = { kind: 'found', places: request.kind === 'begin' ? {} : this.places, astray };
    void Promise.resolve().then(() => this.onmessage?.({ data: found } as MessageEvent<unknown>));
  }

  terminate(): void {
    this.onmessage = null;
  }
}

/** How far the stand-in trusts what it follows, and what it says in the end of what was astray. */
export const following: { trust: number; astray: Record<string, number> } = { trust: 100, astray: {} };
export const openFollowWorker = (): Worker => new FollowStandIn() as unknown as Worker;

/** How many workers were opened and ended, and what they do instead of answering. */
export const opened: { count: number; ended: number; instead: ((worker: WorkerStandIn) => void) | null } = {
  count: 0,
  ended: 0,
  instead: null,
};
export const openWorker = (): Worker => new WorkerStandIn() as unknown as Worker;

/** Stands in for the worker that finds a body: what it says is chosen, one after the other; nothing is that it did not come. */
class FindStandIn {
  onmessage: ((event: MessageEvent<unknown>) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;

  postMessage(): void {
    void Promise.resolve().then(() => {
      const { replies } = finding;
      if (replies.length === 0) this.onerror?.(new ErrorEvent('error', { cancelable: true }));
      for (const data of replies) this.onmessage?.({ data } as MessageEvent<unknown>);
    });
  }

  terminate(): void {
    this.onmessage = null;
  }
}

/** What the stand-in says of a picture. */
export const finding: { replies: readonly (FindReply | object)[] } = { replies: [] };
export const openFindWorker = (): Worker => new FindStandIn() as unknown as Worker;

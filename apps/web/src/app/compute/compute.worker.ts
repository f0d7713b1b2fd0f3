/// <reference lib="webworker" />
import { demoContents, readBundle } from '@pomek/core';
import { RequestSchema, type Reply, type Request } from './protocol';

async function answer(request: Request): Promise<unknown> {
  switch (request.task) {
    case 'demo':
      return demoContents(request.today);
    case 'read-bundle': {
      const read = readBundle(await request.file.text());
      return read.ok ? { ok: true, contents: read.bundle.contents, writtenAt: read.bundle.writtenAt } : read;
    }
  }
}

addEventListener('message', (event: MessageEvent<unknown>) => {
  const reply = (message: Reply): void => postMessage(message);
  Promise.resolve()
    .then(() => answer(RequestSchema.parse(event.data)))
    .then((result) => reply({ kind: 'result', result }))
    .catch((error: unknown) =>
      reply({ kind: 'error', message: error instanceof Error ? error.message : String(error) }),
    );
});

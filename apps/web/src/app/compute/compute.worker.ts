/// <reference lib="webworker" />
import { answer } from './answer';
import { RequestSchema, type Reply } from './protocol';

addEventListener('message', (event: MessageEvent<unknown>) => {
  const reply = (message: Reply): void => postMessage(message);
  Promise.resolve()
    .then(() =>
      answer(RequestSchema.parse(event.data), {
        progress: (share) => reply({ kind: 'progress', share }),
        part: (part) => reply({ kind: 'part', part }),
      }),
    )
    .then((result) => reply({ kind: 'result', result }))
    .catch((error: unknown) =>
      reply({ kind: 'error', message: error instanceof Error ? error.message : String(error) }),
    );
});

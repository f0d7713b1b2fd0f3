/** Opens the worker that follows points. Alone in this file, since only a browser build understands it. */
export function openFollowWorker(): Worker {
  return new Worker(new URL('./follow.worker', import.meta.url), { type: 'module' });
}

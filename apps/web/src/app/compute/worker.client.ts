/** Opens the compute worker. Alone in this file, since only a browser build understands it. */
export function openWorker(): Worker {
  return new Worker(new URL('./compute.worker', import.meta.url), { type: 'module' });
}

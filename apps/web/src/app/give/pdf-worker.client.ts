/** Opens what reads a PDF beside the page. Alone in this file, since only a browser build understands it. */
export function openPdfWorker(): Worker {
  return new Worker(new URL('./pdf.worker', import.meta.url), { type: 'module' });
}

/** Opens the worker that finds a body. It lies beside the application, with its library: see finder/. */
export function openFindWorker(): Worker {
  return new Worker(new URL('find-body/finder.js', document.baseURI));
}

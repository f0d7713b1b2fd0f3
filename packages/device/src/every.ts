/** Does something every so many ms; gives back what ends it. */
export function every(ms: number, what: () => void): () => void {
  const timer = setInterval(what, ms);
  return () => clearInterval(timer);
}

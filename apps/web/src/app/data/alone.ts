/**
 * Does something while no other tab does what has the same name; the others wait until it is done. Where the browser has no locks
 * it is done at once.
 */
export const alone = async (name: string, work: () => Promise<void>): Promise<void> => {
  if ('locks' in navigator) await navigator.locks.request(name, work);
  else await work();
};

import { Observable, Subscription } from 'rxjs';

/** While it fills, the map is given out each time so many have come. */
const TOGETHER = 8;

/**
 * The latest value of many streams by their key. They are begun one after the other, each when the one before has given its first value, so that
 * the page goes on in between; the map is given out now and then while it fills, whole when each has come, and with every change after that.
 */
export function oneAfterTheOther<T>(
  keys: readonly string[],
  open: (key: string) => Observable<T>,
): Observable<ReadonlyMap<string, T>> {
  return new Observable((subscriber) => {
    const found = new Map<string, T>();
    const all = new Subscription();
    let begun = 0;
    const next = (): void => {
      const key = keys[begun];
      if (key === undefined) return;
      begun += 1;
      all.add(
        open(key).subscribe({
          next: (value) => {
            const first = !found.has(key);
            found.set(key, value);
            if (found.size === keys.length || !first || found.size % TOGETHER === 0) subscriber.next(new Map(found));
            if (first) next();
          },
          error: (error: unknown) => {
            subscriber.error(error);
          },
        }),
      );
    };
    if (keys.length === 0) subscriber.next(found);
    next();
    return all;
  });
}

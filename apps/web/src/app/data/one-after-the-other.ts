import { Observable, Subscription } from 'rxjs';

/** While it fills, the map is given out each time so many have come. */
const TOGETHER = 8;

/**
 * The latest value of many streams by their key. They are begun one after the other, each when the one before has given its first value, so that
 * the page goes on in between. The map is given out now and then while it fills, whole when each has come, and with every change after that. A key
 * that goes away is forgotten, one that comes is begun; what is there already stays.
 * @param keys as they change
 * @param urgent the keys that are wanted before the others, asked each time one is begun
 */
export function oneAfterTheOther<T>(
  keys: Observable<readonly string[]>,
  open: (key: string) => Observable<T>,
  urgent: () => readonly string[] = () => [],
): Observable<ReadonlyMap<string, T>> {
  return new Observable((subscriber) => {
    const found = new Map<string, T>();
    const begun = new Map<string, Subscription>();
    let wanted: readonly string[] = [];
    const give = (): void => {
      subscriber.next(new Map(found));
    };
    const next = (): void => {
      if (begun.size > found.size) return;
      const waits = (key: string): boolean => !begun.has(key) && wanted.includes(key);
      const key = urgent().find(waits) ?? wanted.find(waits);
      if (key === undefined) return;
      const subscription = new Subscription();
      begun.set(key, subscription);
      subscription.add(
        open(key).subscribe({
          next: (value) => {
            const first = !found.has(key);
            found.set(key, value);
            const whole = found.size === wanted.length;
            if (!first || whole || found.size % TOGETHER === 0 || urgent().includes(key)) give();
            if (first) next();
          },
          error: (error: unknown) => {
            subscriber.error(error);
          },
        }),
      );
    };
    const all = keys.subscribe({
      next: (list) => {
        wanted = list;
        for (const key of [...begun.keys()].filter((old) => !list.includes(old))) {
          begun.get(key)?.unsubscribe();
          begun.delete(key);
          found.delete(key);
        }
        if (found.size === list.length) give();
        next();
      },
      error: (error: unknown) => {
        subscriber.error(error);
      },
    });
    return () => {
      all.unsubscribe();
      for (const subscription of begun.values()) subscription.unsubscribe();
    };
  });
}

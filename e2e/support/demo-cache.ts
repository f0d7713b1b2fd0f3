import type { Page } from '@playwright/test';

/** A database of the browser as it stands: its version, its stores with their indexes, and all records. */
interface Snapshot {
  readonly version: number;
  readonly stores: readonly {
    readonly name: string;
    readonly keyPath: string;
    readonly indexes: readonly {
      readonly name: string;
      readonly keyPath: string | string[];
      readonly multi: boolean;
    }[];
    readonly records: readonly unknown[];
  }[];
}

/**
 * The demo is made once a day and worker; the dates of its records hang on the day of the page's clock.
 * It is kept as text: that goes into a page many times faster than a tree of values.
 */
const kept = new Map<string, string>();
const DATABASE = 'pomek-demo';

/** A page of the same origin on which nothing of the app runs. */
const aside = async (page: Page): Promise<string> => {
  // The browser asks for an icon of a bare picture; that there is none is no complaint of the app.
  await page.route('**/favicon.ico', (route) => route.fulfill({ status: 204 }));
  await page.goto('/favicon.svg');
  return page.evaluate(() => new Date().toDateString());
};

/** Puts the demo into the browser as it was made for this day before; whether there is one. */
export async function restoreDemo(page: Page): Promise<boolean> {
  const snapshot = kept.get(await aside(page));
  if (snapshot === undefined) return false;
  await page.evaluate(
    ([name, text]) =>
      new Promise<void>((resolve, reject) => {
        const { version, stores } = JSON.parse(text) as Snapshot;
        sessionStorage.setItem('pomek.space', 'demo');
        localStorage.setItem('pomek.space', 'demo');
        const open = indexedDB.open(name, version);
        open.onerror = () => reject(open.error!);
        open.onupgradeneeded = () => {
          for (const store of stores) {
            const made = open.result.createObjectStore(store.name, { keyPath: store.keyPath });
            for (const index of store.indexes) made.createIndex(index.name, index.keyPath, { multiEntry: index.multi });
          }
        };
        open.onsuccess = () => {
          const write = open.result.transaction(
            stores.map((store) => store.name),
            'readwrite',
          );
          for (const store of stores) for (const record of store.records) write.objectStore(store.name).put(record);
          write.onerror = () => reject(write.error!);
          write.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    [DATABASE, snapshot] as const,
  );
  return true;
}

/** Keeps the demo that has just been made, for the next story of this day. */
export async function keepDemo(page: Page): Promise<void> {
  const day = await page.evaluate(() => new Date().toDateString());
  const snapshot = await page.evaluate(
    (name) =>
      new Promise<string>((resolve, reject) => {
        const open = indexedDB.open(name);
        open.onerror = () => reject(open.error!);
        open.onsuccess = () => {
          const database = open.result;
          const names = [...database.objectStoreNames];
          const read = database.transaction(names, 'readonly');
          const stores = names.map((store) => {
            const from = read.objectStore(store);
            return {
              name: store,
              keyPath: from.keyPath as string,
              indexes: [...from.indexNames].map((index) => {
                const { keyPath, multiEntry } = from.index(index);
                return { name: index, keyPath: keyPath, multi: multiEntry };
              }),
              asked: from.getAll(),
            };
          });
          read.oncomplete = () => {
            const { version } = database;
            database.close();
            const whole: Snapshot = {
              version,
              stores: stores.map(({ asked, ...store }) => ({ ...store, records: asked.result as unknown[] })),
            };
            resolve(JSON.stringify(whole));
          };
          read.onerror = () => reject(read.error!);
        };
      }),
    DATABASE,
  );
  kept.set(day, snapshot);
}

import { test as base, type BrowserContext, type Page } from '@playwright/test';

export { expect } from '@playwright/test';
export type { Locator, Page } from '@playwright/test';

/** The moment at which every test begins, in the zone of the machine: never the machine's own. */
export const moment = process.env['POMEK_MOMENT'] ?? '2026-03-12T09:30:00';

/** Lets the pages of a context begin at that moment and go on from there. */
export async function beginAt(context: BrowserContext, local = moment): Promise<void> {
  await context.addInitScript(
    ({ begin, loaded }) => {
      const Real = Date;
      /** A clock that the test moves reads the real time below it: it must not find another one there. */
      const now = (): number => Real.now() + ('movedByTest' in globalThis ? 0 : begin - loaded);
      class Shifted extends Real {
        constructor(...parts: unknown[]) {
          if (parts.length === 0) super(now());
          else super(...(parts as [number]));
        }
        static override now(): number {
          return now();
        }
      }
      globalThis.Date = Shifted as DateConstructor;
    },
    { begin: new Date(local).getTime(), loaded: Date.now() },
  );
}

/** Gives a page a clock that the test moves: from then on it alone tells the time. */
export async function ownClock(page: Page, local = moment): Promise<void> {
  await page.context().addInitScript(() => Object.assign(globalThis, { movedByTest: true }));
  await page.clock.install({ time: new Date(local) });
}

/** The test of the end-to-end suite: with a clock of its own. */
export const test = base.extend<{ clock: undefined }>({
  clock: [
    async ({ context }, use) => {
      await beginAt(context);
      await use(undefined);
    },
    { auto: true },
  ],
});

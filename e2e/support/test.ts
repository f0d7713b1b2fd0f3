import { test as base, type BrowserContext } from '@playwright/test';

export { expect } from '@playwright/test';
export type { Locator, Page } from '@playwright/test';

/** The moment at which every test begins, in the zone of the machine: never the machine's own. */
export const moment = process.env['POMEK_MOMENT'] ?? '2026-03-12T09:30:00';

/** Lets the pages of a context begin at that moment and go on from there. */
export async function beginAt(context: BrowserContext, local = moment): Promise<void> {
  await context.addInitScript(
    ({ begin, loaded }) => {
      const Real = Date;
      const ahead = begin - loaded;
      class Shifted extends Real {
        constructor(...parts: unknown[]) {
          if (parts.length === 0) super(Real.now() + ahead);
          else super(...(parts as [number]));
        }
        static override now(): number {
          return Real.now() + ahead;
        }
      }
      globalThis.Date = Shifted as DateConstructor;
    },
    { begin: new Date(local).getTime(), loaded: Date.now() },
  );
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

import { expect } from 'expect';
import { bind } from 'jest-each';

/** A test that nothing is said of may take so long, ms. */
const LONGEST = 60_000;

/** What the tests ask of Jest, over Mocha, which keeps all loaded while the faults come and go. */
const test = (name, work, limit) => {
  globalThis.it(name, work).timeout(limit ?? LONGEST);
};
test.each = bind(test);
globalThis.describe.each = bind(globalThis.describe);
Object.assign(globalThis, { expect, test });

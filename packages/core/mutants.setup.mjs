import { expect } from 'expect';
import { bind } from 'jest-each';

/** What the tests ask of Jest, over Mocha, which keeps all loaded while the faults come and go. */
const test = (name, work, limit) => {
  const made = globalThis.it(name, work);
  if (limit !== undefined) made.timeout(limit);
};
test.each = bind(test);
globalThis.describe.each = bind(globalThis.describe);
Object.assign(globalThis, { expect, test });

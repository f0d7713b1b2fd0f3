import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '..';

/** Every `@example call // value` of the core, and whether it is true. */
const root = join(__dirname, '..');
const examples = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file) =>
    [...readFileSync(join(root, file), 'utf8').matchAll(/@example (.+?) \/\/ (.+)$/gm)].map(
      ([, call, value]) => [call!, value!] as const,
    ),
  );

const names = Object.keys(core);
const evaluated = (words: string): unknown =>
  // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
  new Function(...names, `return (${words});`)(...names.map((name) => (core as Record<string, unknown>)[name]));

test('there are examples to be held to', () => {
  expect(examples.length).toBeGreaterThanOrEqual(15);
});

test.each(examples)('%s is %s', (call, value) => {
  expect(evaluated(call)).toEqual(evaluated(value));
});

import { copyFileSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './setup.mjs';

const docs = join(root, 'docs');
/** Where the web app finds them. */
const made = join(root, 'apps/web/generated/pictures');

/** Lays the pictures that docs/ten-minutes.md shows beside the web app, for its page of the same words. */
export function layPictures() {
  mkdirSync(made, { recursive: true });
  const text = readFileSync(join(docs, 'ten-minutes.md'), 'utf8');
  for (const [, file] of text.matchAll(/\(screenshots\/([\w-]+\.png)\)/g))
    copyFileSync(join(docs, 'screenshots', file), join(made, file));
}

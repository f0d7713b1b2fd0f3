import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { root } from './setup.mjs';

const app = join(root, 'apps/web/src');
const packed = join(root, 'node_modules/primeicons');
const made = join(root, 'apps/web/generated');

/** The icons that the app names, as its sources have them: `pi-search`. */
function named() {
  const sources = readdirSync(app, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.(ts|html)$/.test(entry.name))
    .map((entry) => readFileSync(join(entry.parentPath, entry.name), 'utf8'));
  return new Set(sources.flatMap((text) => text.match(/\bpi-[a-z][a-z-]*[a-z]\b/g) ?? []));
}

/** Cuts the icon font to what the app uses, with its style sheet, into apps/web/generated/. */
export async function cutIcons() {
  const css = readFileSync(join(packed, 'primeicons.css'), 'utf8');
  const codes = new Map(
    [...css.matchAll(/\.(pi-[a-z-]+):before\s*{\s*content:\s*"\\([0-9a-f]+)"/g)].map((m) => [m[1], m[2]]),
  );
  const used = [...named()].toSorted();
  const unknown = used.filter((name) => !codes.has(name));
  if (unknown.length > 0) throw new Error(`The icon font has no ${unknown.join(', ')}.`);
  const letters = used.map((name) => String.fromCodePoint(Number.parseInt(codes.get(name), 16))).join('');
  const font = await subsetFont(readFileSync(join(packed, 'fonts/primeicons.woff2')), letters, {
    targetFormat: 'woff2',
  });
  mkdirSync(made, { recursive: true });
  writeFileSync(join(made, 'icons.woff2'), font);
  writeFileSync(
    join(made, 'icons.css'),
    [
      "@font-face { font-family: 'primeicons'; font-display: block; src: url('./icons.woff2') format('woff2'); }",
      ".pi { font-family: 'primeicons'; font-style: normal; font-weight: normal; line-height: 1; display: inline-block; }",
      ...used.map((name) => `.${name}::before { content: '\\${codes.get(name)}'; }`),
      '',
    ].join('\n'),
  );
}

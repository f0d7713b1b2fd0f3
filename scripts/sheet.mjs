import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import subsetFont from 'subset-font';
import { root } from './setup.mjs';

const source = join(root, 'apps/sheet/src');
const font = join(
  root,
  'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
);
/** Where the web app finds it. */
const made = join(root, 'apps/web/generated/sheet');

/** Letters of the languages of the west, with the marks the sheet uses; other letters come from the phone. */
const letters = [...Array(0x17f - 0x20).keys()].map((at) => String.fromCodePoint(at + 0x20)).join('') + '–—‘’“”…•°×→−€';

const hashOf = (text) => `sha256-${createHash('sha256').update(text).digest('base64')}`;
/** The parts of the page, each a script of its own: what draws in space runs only where a body is shown. */
const parts = { SCRIPT: 'main.tsx', SCENE: 'parts/scene.ts', FORM: 'parts/form.ts' };

async function scriptOf(path) {
  const { outputFiles } = await build({
    entryPoints: [join(source, path)],
    bundle: true,
    minify: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    platform: 'browser',
    jsx: 'automatic',
    jsxImportSource: 'preact',
    legalComments: 'none',
    logLevel: 'warning',
  });
  // Nothing in a script may end the element that it stands in.
  return outputFiles[0].text.trim().replaceAll('</script', '<\\/script').replaceAll('<!--', '<\\!--');
}

/** Builds the page a student takes home into one file, with a mark where the data goes. */
export async function buildSheet() {
  const cut = await subsetFont(readFileSync(font), letters, { targetFormat: 'woff2' });
  const face = `@font-face{font-family:'Atkinson Hyperlegible Next Variable';font-weight:200 800;src:url(data:font/woff2;base64,${cut.toString('base64')}) format('woff2')}`;
  const sheet = await build({
    stdin: { contents: readFileSync(join(source, 'sheet.css'), 'utf8'), loader: 'css' },
    minify: true,
    write: false,
    logLevel: 'warning',
  });
  const style = face + sheet.outputFiles[0].text.trim();
  let page = readFileSync(join(source, 'sheet.html'), 'utf8');
  page = page.replace('__STYLE_HASH__', hashOf(style));
  for (const [name, path] of Object.entries(parts)) {
    const script = await scriptOf(path);
    page = page.replace(`__${name}_HASH__`, () => hashOf(script));
    page = page.replace(new RegExp(`>\\s*__${name}__;?\\s*</script>`), () => `>${script}</script>`);
  }
  // The hashes are of what stands between the marks, to the letter.
  page = page.replace(/<style>\s*__STYLE__\s*<\/style>/, () => `<style>${style}</style>`);
  mkdirSync(made, { recursive: true });
  writeFileSync(join(made, 'sheet.html'), page);
}

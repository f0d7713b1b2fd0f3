import { writeFileSync, readFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { installPackages, root, run, tool } from './setup.mjs';

/** Writes docs/bundle.schema.json from the schema the program itself reads with; `--check` only compares. */
await installPackages();
const folder = mkdtempSync(join(tmpdir(), 'pomek-schema-'));
const file = join(folder, 'schema.mjs');
const args = [
  'packages/core/src/formats/bundleJsonSchema.ts',
  '--bundle',
  '--platform=node',
  '--format=esm',
  `--outfile=${file}`,
];
if ((await run(tool('esbuild'), [...args, '--log-level=warning'])) !== 0) process.exit(1);
const { bundleJsonSchema } = await import(pathToFileURL(file).href);
rmSync(folder, { recursive: true });
const text = `${JSON.stringify(bundleJsonSchema(), null, 2)}\n`;
const target = join(root, 'docs/bundle.schema.json');
if (process.argv.includes('--check')) {
  if (readFileSync(target, 'utf8') !== text)
    throw new Error('docs/bundle.schema.json is out of date; run: npm run schema');
} else {
  writeFileSync(target, text);
}

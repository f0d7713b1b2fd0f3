import { writeFileSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { mutantsMarkdown } from './mutants-left.mjs';
import { installPackages, root, run, tool } from './setup.mjs';

/** Writes docs/bundle.schema.json, docs/sources.md, docs/ten-minutes.md and docs/conditions.md from what the program itself uses, and docs/mutants.md from what was measured. */
await installPackages();
const folder = mkdtempSync(join(root, 'node_modules', '.docs-'));
const file = join(folder, 'core.mjs');
const args = [
  'packages/core/src/index.ts',
  '--bundle',
  '--platform=node',
  '--format=esm',
  '--packages=external',
  `--outfile=${file}`,
];
if ((await run(tool('esbuild'), [...args, '--log-level=warning'])) !== 0) process.exit(1);
const { bundleJsonSchema, conditionsDocument, sourcesMarkdown, tenMinutesMarkdown } = await import(
  pathToFileURL(file).href
);
rmSync(folder, { recursive: true });
writeFileSync(join(root, 'docs/bundle.schema.json'), `${JSON.stringify(bundleJsonSchema(), null, 2)}\n`);
writeFileSync(join(root, 'docs/sources.md'), sourcesMarkdown());
writeFileSync(join(root, 'docs/ten-minutes.md'), tenMinutesMarkdown());
writeFileSync(join(root, 'docs/conditions.md'), conditionsDocument());
writeFileSync(join(root, 'docs/mutants.md'), mutantsMarkdown());

import { readdirSync } from 'node:fs';
import { build } from 'esbuild';

/** These read sources and documents themselves, or a library that is no plain file; they reckon nothing of what is tried. */
const readers = ['examples.test.ts', 'words.test.ts', 'fit.test.ts'];

/** Makes one plain file of every test with all it imports, beside it: loaded in a tenth of the time, and mutants are many. */
const tests = readdirSync('src', { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && entry.name.endsWith('.test.ts') && !readers.includes(entry.name))
  .map((entry) => `${entry.parentPath}/${entry.name}`);
await build({
  entryPoints: tests,
  outdir: 'src',
  outbase: 'src',
  outExtension: { '.js': '.bundle.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'es2022',
  // What only this package has is not beside the copy in which the faults are put.
  nodePaths: ['../../../packages/core/node_modules'],
  supported: { 'dynamic-import': false },
  mainFields: ['module', 'main'],
  logLevel: 'warning',
});

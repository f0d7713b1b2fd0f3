import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

/** These read sources, documents and the shelf, or a library that is no plain file; they reckon nothing of what is tried. */
const readers = /\/(examples|words|fit|demo)\.test\.ts$|\/(library|figure|body|alignment|text)\//;
/** These play whole seasons: they come last, for most faults are found before. */
const long = ['/planForecast.', '/machine.', '/agreement.', '/planSeason.', '/plan.', '/strandChances.', '/weeks.'];
const rank = (path) => long.toReversed().findIndex((part) => path.includes(part));

const fewCases = fileURLToPath(new URL('mutants.fast-check.mjs', import.meta.url));
/** Tests try fewer random cases. */
const few = {
  name: 'few cases',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^fast-check$/ }, ({ importer }) => (importer === fewCases ? undefined : { path: fewCases })),
};

/** Makes one plain file of all tests with all they import: loaded once for thousands of faults. */
const tests = readdirSync('src', { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && entry.name.endsWith('.test.ts'))
  .map((entry) => `./${entry.parentPath}/${entry.name}`)
  .filter((path) => !readers.test(path))
  .filter((path) => (process.env['MUTANTS_OWN'] ?? '') === '' || path.includes(`/src/${process.env['MUTANTS_OWN']}/`))
  .toSorted((a, b) => rank(a) - rank(b) || a.localeCompare(b));
await build({
  stdin: {
    contents: ['./mutants.setup.mjs', ...tests].map((path) => `import '${path}';`).join('\n'),
    resolveDir: '.',
    loader: 'ts',
  },
  outfile: 'src/mutants.bundle.cjs',
  bundle: true,
  // The package says that its files do nothing by themselves; tests do.
  ignoreAnnotations: true,
  platform: 'node',
  external: ['expect', 'jest-each'],
  format: 'cjs',
  target: 'es2022',
  // What only this package has is not beside the copy in which the faults are put.
  nodePaths: ['../../../packages/core/node_modules'],
  supported: { 'dynamic-import': false },
  mainFields: ['module', 'main'],
  plugins: [few],
  logLevel: 'warning',
});

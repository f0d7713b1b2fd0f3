/**
 * Mutation testing of the calculations, on demand: `npm run mutants` from the root sets what is tried and
 * against which tests.
 */
const tried = (process.env['MUTANTS'] ?? '').split(' ').filter((path) => path !== '');

/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  mutate: [...tried, '!src/**/*.test.ts', '!src/**/index.ts', '!src/formats/bundleJsonSchema.ts'],
  testRunner: 'mocha',
  buildCommand: 'node mutants.build.mjs',
  mochaOptions: { spec: ['src/mutants.bundle.cjs'] },
  coverageAnalysis: 'perTest',
  // Words that are only read are no calculation.
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  concurrency: 2,
  // A busy machine is slow: what only takes long is no fault that was noticed.
  timeoutMS: 10_000,
  timeoutFactor: 3,
  reporters: ['progress-append-only', 'json'],
  jsonReporter: { fileName: '../../test-results/mutants.json' },
  tempDirName: '../../test-results/stryker',
};

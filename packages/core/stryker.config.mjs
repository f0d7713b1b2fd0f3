/**
 * Mutation testing of the calculations, on demand: `npm run mutants` from the root, with the names of
 * folders to try only those. Each fault put in is tried against the tests that reach it.
 */
const folders = (process.env['MUTANTS'] ?? 'plan,endurance,load,routine,practice,formats,screening,chain,corrections')
  .split(',')
  .map((folder) => `src/${folder}/**/*.ts`);

/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  mutate: [...folders, '!src/**/*.test.ts', '!src/**/index.ts', '!src/formats/bundleJsonSchema.ts'],
  testRunner: 'jest',
  buildCommand: 'node mutants.build.mjs',
  jest: { configFile: 'mutants.jest.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  // Words that are only read are no calculation.
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 8000,
  reporters: ['clear-text', 'progress-append-only', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: '../../test-results/mutants.json' },
  tempDirName: '../../test-results/stryker',
  thresholds: { high: 90, low: 85, break: 85 },
};

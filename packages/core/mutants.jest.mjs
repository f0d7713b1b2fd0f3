/** The tests as `mutants.build.mjs` makes them. */
export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.test.bundle.cjs'],
  transform: {},
};

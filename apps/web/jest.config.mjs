export default {
  testTimeout: 60_000,
  preset: 'jest-preset-angular',
  testEnvironment: '<rootDir>/testing/browser-environment.cjs',
  setupFilesAfterEnv: ['<rootDir>/testing/setup.ts'],
  roots: ['<rootDir>/src'],
  moduleNameMapper: {
    '^@pomek/core$': '<rootDir>/../../packages/core/src/index.ts',
    '^@pomek/device$': '<rootDir>/../../packages/device/src/index.ts',
    '^@pomek/space$': '<rootDir>/../../packages/space/src/index.ts',
    '^@pomek/space/scene$': '<rootDir>/../../packages/space/src/bodyScene.ts',
    '\\.woff$': '<rootDir>/testing/font.ts',
    'worker\\.client$': '<rootDir>/testing/worker.client.ts',
  },
  transform: {
    '^.+\\.(ts|mjs|js|html|svg)$': [
      'jest-preset-angular',
      { tsconfig: '<rootDir>/tsconfig.spec.json', stringifyContentPathRegex: '\\.(html|svg)$' },
    ],
  },
  transformIgnorePatterns: ['node_modules/(?!(.*\\.mjs$|ical\\.js|d3-shape|d3-path|jose|@angular|primeng|@primeuix))'],
};

const shared = {
  rootDir: import.meta.dirname,
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.check/'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
};

const config = {
  testTimeout: 180_000,
  reporters: ['default', '<rootDir>/scripts/sum-reporter.mjs'],
  projects: [
    {
      ...shared,
      displayName: 'unit',
      runner: '<rootDir>/scripts/lib/process-runner.mjs',
      testMatch: [
        '<rootDir>/src/**/*.test.ts',
        '<rootDir>/tests/oracle/**/*.test.ts',
        '<rootDir>/tests/api/**/*.test.ts',
        '<rootDir>/tests/house/**/*.test.ts',
        '<rootDir>/tests/print/**/*.test.ts',
        '<rootDir>/tests/truth/**/*.test.ts',
      ],
      setupFiles: ['fake-indexeddb/auto', '<rootDir>/tests/support/fixed-seed.ts'],
    },
    {
      ...shared,
      displayName: 'browser',
      testMatch: ['<rootDir>/tests/browser/**/*.test.ts'],
      globalSetup: '<rootDir>/tests/browser/support/serve.mjs',
      globalTeardown: '<rootDir>/tests/browser/support/stop.mjs',
    },
  ],
};

export default config;

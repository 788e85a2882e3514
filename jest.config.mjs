/** Unit tests of core, server and cli: TypeScript through SWC, ES modules as they are. */
export default {
  testEnvironment: 'node',
  roots: [
    '<rootDir>/core',
    '<rootDir>/server',
    '<rootDir>/cli',
    '<rootDir>/web',
    '<rootDir>/scripts',
    '<rootDir>/disk',
    '<rootDir>/demo',
    '<rootDir>/attacks',
  ],
  // Left to itself Jest would leave one of two processors idle.
  maxWorkers: '100%',
  // A busy machine is no failure.
  testTimeout: 60_000,
  testMatch: ['**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/'],
};

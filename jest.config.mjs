const transform = {
  '^.+\\.[mc]?[tj]sx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
      },
    },
  ],
}
const shared = {
  transform,
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    // The browser's own build of it is a module; here the one for Node does.
    '^csv-parse/browser/esm/sync$': 'csv-parse/sync',
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(d3-|internmap|uuid|postgrator|@date-fns|date-fns|iron-session|uncrypto|cookie|next-intl|use-intl|@formatjs|intl-messageformat|icu-minify))',
  ],
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.data'],
}

export default {
  // A busy machine is slow, not wrong.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      rootDir: '.',
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/demo/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'integration',
      rootDir: '.',
      testMatch: ['<rootDir>/tests/integration/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'own',
      rootDir: '.',
      testMatch: ['<rootDir>/tests/own/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'scale',
      rootDir: '.',
      testMatch: ['<rootDir>/tests/scale/plans.test.ts'],
    },
    {
      ...shared,
      displayName: 'partitions',
      rootDir: '.',
      testMatch: ['<rootDir>/tests/scale/partitions.test.ts'],
    },
  ],
}

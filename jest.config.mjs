export default {
  testEnvironment: '<rootDir>/test/helpers/environment.mjs',
  roots: ['<rootDir>/test'],
  setupFiles: ['<rootDir>/test/helpers/setup.ts'],
  testMatch: ['**/*.test.ts'],
  moduleNameMapper: { '^playwright-core$': '<rootDir>/test/helpers/driver.mjs' },
  extensionsToTreatAsEsm: ['.ts'],
  maxWorkers: 2,
  testTimeout: 240_000,
  transform: {
    '^.+\\.ts$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' } }],
  },
};

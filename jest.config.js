export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/packages', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
};

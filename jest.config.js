export default {
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  roots: ['core', 'contracts', 'server', 'web', 'cli', 'demo', 'meshes', 'sheets', 'scripts'].map(
    (room) => `<rootDir>/${room}`,
  ),
  extensionsToTreatAsEsm: ['.ts'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
  transform: {
    '^.+\\.ts$': '<rootDir>/scripts/jest-transform.js',
  },
  // One a core: by default one core would be left idle.
  maxWorkers: 2,
  testTimeout: 60000,
};

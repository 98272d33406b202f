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
    // Every fit of an edge is a matrix: it is felt here as in the core.
    'ml-matrix/matrix\\.mjs$': '<rootDir>/scripts/jest-transform.js',
  },
  transformIgnorePatterns: ['/node_modules/(?!ml-matrix/)'],
  // One a core: by default one core would be left idle.
  maxWorkers: 2,
  testTimeout: 60000,
};

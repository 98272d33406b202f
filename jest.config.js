const TRANSFORM = '<rootDir>/scripts/jest-transform.js';

const ROOMS = ['core', 'contracts', 'server', 'web', 'cli', 'demo', 'meshes', 'sheets', 'scripts'];

const common = {
  roots: ROOMS.map((room) => `<rootDir>/${room}`),
  extensionsToTreatAsEsm: ['.ts', '.vue'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1', '\\.css$': '<rootDir>/web/testing/no-style.ts' },
  transform: {
    '^.+\\.(ts|vue)$': TRANSFORM,
    // Every fit of an edge is a matrix: it is felt here as in the core.
    'ml-matrix/matrix\\.mjs$': TRANSFORM,
  },
  transformIgnorePatterns: ['/node_modules/(?!ml-matrix/)'],
};

export default {
  projects: [
    {
      ...common,
      displayName: 'unit',
      testEnvironment: 'node',
      testMatch: ['**/*.test.ts'],
      testPathIgnorePatterns: ['/node_modules/', '\\.mounted\\.test\\.ts$'],
    },
    {
      ...common,
      displayName: 'mounted',
      testEnvironment: 'jsdom',
      testEnvironmentOptions: { customExportConditions: ['node', 'node-addons'] },
      testMatch: ['**/*.mounted.test.ts'],
      setupFiles: ['<rootDir>/web/testing/browser-parts.ts'],
    },
  ],
  // One a core: by default one core would be left idle.
  maxWorkers: 2,
  // A worker keeps the modules of every file it ran: one that has grown large is slower than a new one.
  workerIdleMemoryLimit: '800MB',
  // Ends early where all is well; a machine may be four times slower.
  testTimeout: 480_000,
};

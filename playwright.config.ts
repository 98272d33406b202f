import { defineConfig } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './e2e/chromium-launch';

const PORT = 4780;

export default defineConfig({
  testDir: 'e2e',
  // One a core. Each test makes jobs of its own, so that files may stand side by side.
  workers: 2,
  // Waits end early where all is well; a machine may be four times slower.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM_LAUNCH,
    acceptDownloads: true,
    // Its own tests let it in; the others ask the server themselves.
    serviceWorkers: 'block',
  },
  webServer: {
    command: 'node --enable-source-maps dist/server/main.js --demo',
    url: `http://127.0.0.1:${PORT}/healthz`,
    timeout: 60_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    env: { PORT: String(PORT), LOWGAP_DATA: 'memory://' },
  },
});

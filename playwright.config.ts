import { defineConfig } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './e2e/chromium-launch';

const PORT = 4780;

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM_LAUNCH,
    acceptDownloads: true,
  },
  webServer: {
    command: 'node --enable-source-maps dist/server/main.js --demo',
    url: `http://127.0.0.1:${PORT}/healthz`,
    timeout: 60_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    env: { PORT: String(PORT), LOWGAP_DATA: 'memory://' },
  },
});

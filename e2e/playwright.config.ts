import { defineConfig } from '@playwright/test';

const port = 4390;

export default defineConfig({
  testDir: 'tests',
  testMatch: '*.e2e.ts',
  timeout: 120_000,
  expect: { timeout: 30_000 },
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  outputDir: '../test-results/e2e',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    actionTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium' },
    trace: 'off',
    serviceWorkers: 'block',
  },
  webServer: {
    command: 'node apps/server/dist/server.mjs',
    cwd: '..',
    env: { PORT: String(port) },
    url: `http://127.0.0.1:${port}/healthz`,
    reuseExistingServer: false,
  },
});

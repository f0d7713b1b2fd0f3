import { execFileSync } from 'node:child_process';
import { defineConfig } from '@playwright/test';

const findPort =
  "const s = require('node:net').createServer().listen(0, '127.0.0.1', () => { console.log(s.address().port); s.close(); })";
// Any free port, found once: the processes that run the tests read this file too.
process.env['POMEK_E2E_PORT'] ??= execFileSync(process.execPath, ['-e', findPort], { encoding: 'utf8' }).trim();
const port = Number(process.env['POMEK_E2E_PORT']);

export default defineConfig({
  testDir: 'tests',
  testMatch: '*.e2e.ts',
  // Wide bounds: a machine may be ten times slower than another for a while, and that is no fault of the product.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  outputDir: '../test-results/e2e',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    actionTimeout: 60_000,
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

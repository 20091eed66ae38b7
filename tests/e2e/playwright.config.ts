import { defineConfig } from '@playwright/test';

const port = 8177;

export default defineConfig({
  testDir: '.',
  outputDir: '../../var/e2e-results',
  workers: 1,
  fullyParallel: false,
  timeout: 240_000,
  // A busy machine answers late; what is wrong stays wrong.
  expect: { timeout: 20_000 },
  forbidOnly: true,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    locale: 'en-GB',
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
  webServer: {
    command: `bash ../../tools/serve-fresh.sh var/e2e ${port}`,
    url: `http://127.0.0.1:${port}/api/session`,
    timeout: 120_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
  },
});

import { defineConfig } from '@playwright/test';
import { address, EMPTY, EMPTY_PORT, PORTS } from './servers';

export default defineConfig({
  testDir: '.',
  outputDir: '../../var/e2e-results',
  workers: PORTS.length,
  fullyParallel: false,
  // The longest first. What waits for readings to stand still leaves the machine to the others.
  projects: [
    { name: 'waiting', testMatch: 'sources.spec.ts' },
    { name: 'views', testMatch: 'views.spec.ts' },
    { name: 'jobs', testIgnore: ['sources.spec.ts', 'views.spec.ts'] },
  ],
  timeout: 480_000,
  // A busy machine answers late; what is wrong stays wrong.
  expect: { timeout: 60_000 },
  forbidOnly: true,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    locale: 'en-GB',
    trace: 'off',
    // Each test has a browser of its own: only those that work without a network keep the whole application in it.
    serviceWorkers: 'block',
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
  // One after the other: the second finds what the first has put together.
  webServer: [
    {
      command: `bash ../../tools/serve-fresh.sh var/e2e ${PORTS.join(' ')}`,
      url: `${address(0)}/api/session`,
      timeout: 120_000,
      gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
    },
    {
      command: `bash ../../tools/serve-empty.sh var/e2e-empty ${EMPTY_PORT}`,
      url: `${EMPTY}/api/session`,
      timeout: 120_000,
      gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
    },
  ],
});

import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.cache/e2e',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  // A machine shared with others may stumble once; it is reported as flaky, not hidden.
  retries: process.env.CI ? 1 : 0,
  workers: 2,
  fullyParallel: false,
  forbidOnly: !!process.env.CI,
  reporter: [['list'], ['json', { outputFile: '.cache/playwright.json' }]],
  // Tests that kill the server would disturb all others, so they come last and alone.
  projects: [
    // The lab runs one trial at a time, so two tests of it would only wait for each other.
    { name: 'lab', testMatch: '**/lab/*.spec.ts', workers: 1 },
    { name: 'all', testIgnore: ['**/saving.spec.ts', '**/faults/*.spec.ts', '**/lab/*.spec.ts'] },
    {
      name: 'faults',
      testMatch: ['**/saving.spec.ts', '**/faults/*.spec.ts'],
      workers: 1,
      dependencies: ['lab', 'all'],
    },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    baseURL: process.env.LYVEK_URL,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});

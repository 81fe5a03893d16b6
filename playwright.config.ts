import { defineConfig } from '@playwright/test';

/** Whole specs that only `npm run test:all` has, or who names them; single tests carry the tag instead. */
const LONG = [
  'complete',
  'sweep',
  'lab/pairs',
  'lab/greedy',
  'cli/oracle',
  'app/heavy',
  'app/fallback',
  'app/tall',
];
const isAll = process.env.LYVEK_ALL === '1';
const ignored = isAll ? [] : LONG.map((f) => (f.includes('/') ? `**/${f}.spec.ts` : `**/${f}/*.spec.ts`));

export default defineConfig({
  testDir: 'e2e',
  ...(isAll ? {} : { grepInvert: /@full/ }),
  outputDir: '.cache/e2e',
  // Machines run this that are four times slower than a desk's, three at a time; what passes never waits so long.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  // A machine shared with others may stumble once; it is reported as flaky, not hidden.
  retries: process.env.CI ? 1 : 0,
  workers: 3,
  fullyParallel: false,
  forbidOnly: !!process.env.CI,
  reporter: [['list'], ['json', { outputFile: '.cache/playwright.json' }]],
  // Tests that kill the server would disturb all others, so they come last and alone.
  projects: [
    // The lab runs one trial at a time, so two tests of it would only wait for each other.
    { name: 'lab', testMatch: '**/lab/*.spec.ts', testIgnore: ignored, workers: 1 },
    // A server shows one take on devices at a time: a second start ends the first.
    { name: 'devices', testMatch: '**/device*.spec.ts', testIgnore: ignored, workers: 1 },
    {
      name: 'all',
      testIgnore: [
        ...ignored,
        ...['**/saving.spec.ts', '**/faults/*.spec.ts', '**/lab/*.spec.ts', '**/device*.spec.ts'],
      ],
    },
    {
      name: 'faults',
      testMatch: ['**/saving.spec.ts', '**/faults/*.spec.ts'],
      testIgnore: ignored,
      workers: 1,
      dependencies: ['lab', 'devices', 'all'],
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

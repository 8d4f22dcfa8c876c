import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  timeout: 60_000,
  // The same drawing on another build of the browser differs by the edges of its letters.
  expect: { timeout: 10_000, toHaveScreenshot: { maxDiffPixelRatio: 0.005, threshold: 0.3, animations: 'disabled' } },
  workers: 3,
  // What fails is run again with its trace; what then passes is told as flaky, and is a fault to mend.
  retries: 1,
  fullyParallel: true,
  globalSetup: './template.ts',
  reporter: [['line'], ['json', { outputFile: process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ?? '../.tufa/e2e.json' }]],
  outputDir: '../test-results',
  snapshotPathTemplate: '{testDir}/baselines/{arg}{ext}',

  use: {
    // What never comes is said where it is waited for, long before its test is over.
    actionTimeout: 30_000,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    timezoneId: 'America/New_York',
    // What a test of being without signal needs, it asks for.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    permissions: ['screen-wake-lock'],
    trace: 'on-first-retry',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});

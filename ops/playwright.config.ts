import { defineConfig } from '@playwright/test';

/**
 * Drives the running program with Debian's Chromium. One after the other: there is one shop, and its story goes on. The limits
 * are for a busy machine; what failed is tried once more, and said to be flaky where it passes then.
 */
export default defineConfig({
  testDir: '../tests/e2e',
  outputDir: '../var/test/playwright',
  fullyParallel: false,
  workers: 1,
  timeout: 120_000,
  retries: 1,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['junit']],
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: {
      // Half as costly as the whole browser, and the same engine.
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-quic',
        '--no-first-run',
        '--font-render-hinting=none',
      ],
    },
  },
});

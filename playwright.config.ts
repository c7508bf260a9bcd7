import { defineConfig } from '@playwright/test'

/** The real interface in Debian's Chromium, against a server that bin/test has started. */
export default defineConfig({
  testDir: 'tests/e2e',
  // A busy machine is slow, not wrong: what must be quick is measured elsewhere.
  timeout: 120_000,
  expect: { timeout: 30_000 },
  workers: 1,
  retries: 0,
  reporter: [['list']],
  // Two halves that may run beside each other, each against a server and a demo of its own; within a half tests stand on those before them.
  projects: [
    { name: 'one', testDir: 'tests/e2e/one' },
    { name: 'other', testDir: 'tests/e2e/other' },
  ],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:3000',
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    // Tests of days without a signal allow it; for the others a slow page is a slow page.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
})

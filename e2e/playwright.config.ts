import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: '../.local/e2e-results',
  globalSetup: './setup.ts',
  // Each worker has a studio of its own; no test may depend on how fast the machine is.
  workers: 2,
  fullyParallel: true,
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: [['line'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // A worker would answer before the faults that tests put in the way; its own test lets it in.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--disable-gpu',
        '--disable-background-networking',
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ],
    },
  },
});

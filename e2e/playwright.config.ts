import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: '../.local/e2e-results',
  globalSetup: './setup.ts',
  workers: 1,
  retries: 0,
  timeout: 60_000,
  expect: { timeout: 8_000 },
  reporter: [['line'], ['json']],
  use: {
    baseURL: process.env.E2E_URL,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--disable-gpu',
        '--disable-background-networking',
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ],
    },
  },
});

import { type Browser, chromium } from '@playwright/test';

/** Debian's Chromium without a window, for pictures and benchmarks of the pages. */
export const launchChromium = (): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--disable-gpu',
      '--disable-background-networking',
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
    ],
  });

import { defineConfig } from 'vitest/config';

/** Generous: no test may fail because the machine is slow. */
const PATIENT = { testTimeout: 180_000, hookTimeout: 180_000 };

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['{core,contract}/**/*.test.ts'],
          setupFiles: ['core/garment/every-part.ts'],
          // Pure: nothing of one file can be seen by another, so the trade is loaded once for all of them.
          isolate: false,
          ...PATIENT,
        },
      },
      {
        test: {
          name: 'unit-screens',
          include: ['{web,tools,benchmarks}/**/*.test.{ts,tsx}'],
          exclude: ['**/node_modules/**', 'tools/**/*.integration.test.ts'],
          ...PATIENT,
        },
      },
      {
        test: {
          name: 'integration',
          // Every file has databases and servers of its own; the program is loaded once for all of a worker's.
          isolate: false,
          include: ['server/**/*.test.ts', 'demo/**/*.test.ts', 'tools/**/*.integration.test.ts'],
          exclude: ['**/node_modules/**'],
          ...PATIENT,
        },
      },
    ],
  },
});

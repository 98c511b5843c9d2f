import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** For `./rocchetto bench mutants`: the tests of one room, on a copy of the sources that is changed on purpose. */
const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  resolve: {
    // The copy's own sources, not those that node_modules points at.
    alias: [
      { find: /^@rocchetto\/(core|contract)$/, replacement: `${here('.')}$1/index.ts` },
      { find: /^@rocchetto\/(core|contract)\/(.*)$/, replacement: `${here('.')}$1/$2` },
    ],
  },
  test: {
    include: (process.env.MUTANTS_TESTS ?? '').split(' ').filter(Boolean),
    setupFiles: [here('core/garment/every-part.ts')],
    testTimeout: 60_000,
  },
});

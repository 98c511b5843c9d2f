import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SpecFile, toSheetInput } from '@rocchetto/contract';
import { computeSheet, printSheet } from '@rocchetto/core';
import { root } from '../tools/cluster.ts';

/** Sheets a second in core, computed and printed. */
export function coreBench(say: (line: string) => void) {
  const input = toSheetInput(
    SpecFile.parse(JSON.parse(readFileSync(join(root, 'docs/example-spec.json'), 'utf8'))),
  );
  for (let i = 0; i < 2000; i++) printSheet(computeSheet(input), 'cm');
  const measure = (run: () => unknown) => {
    const start = performance.now();
    let n = 0;
    while (performance.now() - start < 2000) {
      run();
      n++;
    }
    return n / ((performance.now() - start) / 1000);
  };
  const computed = measure(() => computeSheet(input));
  const printed = measure(() => printSheet(computeSheet(input), 'cm'));
  say(
    `core: ${Math.round(computed)} sheets/s computed (${(1000 / computed).toFixed(3)} ms each); ${Math.round(printed)} sheets/s computed and printed (${(1000 / printed).toFixed(3)} ms each). Aim: under 1 ms.`,
  );
}

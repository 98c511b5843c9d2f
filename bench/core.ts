import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SpecFile, toSheetInput } from '@rocchetto/contract';
import { computeSheet, printSheet } from '@rocchetto/core';
import { root } from '../tools/cluster.ts';

/** How long core takes for a sheet: the skirt of docs/example-spec.json, the dress of docs/worked. */
export function coreBench(say: (line: string) => void) {
  const example: unknown = JSON.parse(readFileSync(join(root, 'docs/example-spec.json'), 'utf8'));
  const worked = readFileSync(join(root, 'docs/worked/day-dress.md'), 'utf8');
  const dress: unknown = JSON.parse(/```json\n([\s\S]*?)```/.exec(worked)![1]!);
  for (const [what, spec, aim] of [
    ['skirt', example, '0.3 ms'],
    ['dress', dress, '1 ms'],
  ] as const) {
    const input = toSheetInput(SpecFile.parse(spec));
    for (let i = 0; i < 1000; i++) printSheet(computeSheet(input), 'cm');
    const measure = (run: () => unknown) => {
      const start = performance.now();
      let n = 0;
      while (performance.now() - start < 2000) {
        run();
        n++;
      }
      return (performance.now() - start) / n;
    };
    const computed = measure(() => computeSheet(input));
    const printed = measure(() => printSheet(computeSheet(input), 'cm'));
    say(
      `core, ${what}: ${computed.toFixed(3)} ms computed, ${printed.toFixed(3)} ms computed and printed. Aim: under ${aim} computed.`,
    );
  }
}

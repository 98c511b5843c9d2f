import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { SpecFile, toSheetInput } from '@rocchetto/contract';
import * as core from '@rocchetto/core';
import { build } from 'vite';
import { root } from '../tools/cluster.ts';
import { interleaved, ms } from './interleaved.ts';

type Core = Pick<typeof core, 'computeSheet' | 'printSheet'>;

/** Core as it is built for the page: one module, without the loader the server runs through. */
async function built(): Promise<Core> {
  const dir = mkdtempSync(join(tmpdir(), 'core-'));
  try {
    await build({
      configFile: false,
      logLevel: 'error',
      build: {
        lib: { entry: join(root, 'core/index.ts'), formats: ['es'], fileName: () => 'core.mjs' },
        outDir: dir,
        minify: false,
      },
    });
    return (await import(pathToFileURL(join(dir, 'core.mjs')).href)) as Core;
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}

/** How long core takes for a sheet: the skirt of docs/example-spec.json, the dress of docs/worked. */
export async function coreBench(say: (line: string) => void) {
  const example: unknown = JSON.parse(readFileSync(join(root, 'docs/example-spec.json'), 'utf8'));
  const worked = readFileSync(join(root, 'docs/worked/day-dress.md'), 'utf8');
  const dress: unknown = JSON.parse(/```json\n([\s\S]*?)```/.exec(worked)![1]!);
  for (const [where, { computeSheet, printSheet }] of [
    ['as built for the page', await built()],
    ['as the server runs it', core],
  ] as const)
    for (const [what, spec, aim] of [
      ['skirt', example, '0.3 ms'],
      ['dress', dress, '1 ms'],
    ] as const) {
      const input = toSheetInput(SpecFile.parse(spec));
      const copy = async () => JSON.parse(JSON.stringify(input));
      const computed = await interleaved(2000, 1000, copy, async () => computeSheet(input));
      const printed = await interleaved(500, 0, copy, async () => printSheet(computeSheet(input), 'cm'));
      say(
        `core, ${what}, ${where}: median ${ms(computed.ours.median)} ms computed, ${ms(printed.ours.median)} ms computed and printed; ${computed.ratio.toFixed(0)} times a copy of its input as JSON (${computed.bare.median.toFixed(3)} ms). Aim: under ${aim} computed.`,
      );
    }
}

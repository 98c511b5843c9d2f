import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { SpecFile, toSheetInput } from '@rocchetto/contract';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import * as core from '@rocchetto/core';
import { asLines, randomBody, seeded } from '@rocchetto/core/garment/testing.ts';
import { build } from 'vite';
import { root } from '../tools/cluster.ts';
import { interleaved, ms } from './interleaved.ts';

type Core = Pick<typeof core, 'computeSheet' | 'printSheet' | 'rankSizes' | 'cm'>;

/** Core as it is built for the page, without the loader the server runs through. */
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
    // Its parts are modules beside it.
    writeFileSync(join(dir, 'package.json'), '{"type":"module"}');
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
      // The first thing that is measured is otherwise still being compiled.
      for (let i = 0; i < 3000; i++) computeSheet(input);
      const copy = async () => JSON.parse(JSON.stringify(input));
      const computed = await interleaved(2000, 1000, copy, async () => computeSheet(input));
      const printed = await interleaved(500, 0, copy, async () => printSheet(computeSheet(input), 'cm'));
      say(
        `core, ${what}, ${where}: median ${ms(computed.ours.median)} ms computed, ${ms(printed.ours.median)} ms computed and printed; ${computed.ratio.toFixed(0)} times a copy of its input as JSON (${computed.bare.median.toFixed(3)} ms). Aim: under ${aim} computed.`,
      );
    }
  await everyGarment(say);
  await ranking(say);
}

/** Sixty sizes in five cups, seven figures each, ranked against a body. */
async function ranking(say: (line: string) => void) {
  const { rankSizes, cm } = await built();
  const body: Readonly<Record<string, number>> = {
    'high-bust': 90,
    bust: 96,
    waist: 77,
    hip: 103,
    'across-shoulder': 39,
    'nape-to-waist': 41,
    'upper-arm': 30,
  };
  const rows = Array.from({ length: 300 }, (_, i) => ({
    size: String(i % 60),
    cup: 'ABCDE'[Math.floor(i / 60)]!,
    at: Object.fromEntries(
      Object.entries(body).map(([id, x]) => {
        const at = cm(x + ((i % 60) - 30) / 2);
        return [id, { least: at, most: at }];
      }),
    ),
  }));
  const chart = { name: '', of: 'body' as const, ease: {}, allowance: cm(0), rows };
  const net = (id: string) => (body[id] === undefined ? null : cm(body[id]));
  const wish = { want: cm(3), least: null, most: null, because: '' };
  const once = () => rankSizes(chart, 'upper', net, () => wish);
  for (let i = 0; i < 300; i++) once();
  const copy = async () => JSON.parse(JSON.stringify(rows));
  const { ours, ratio } = await interleaved(400, 200, copy, async () => once());
  say(
    `core, 60 sizes in 5 cups ranked, as built for the page: median ${ms(ours.median)} ms; ${ratio.toFixed(1)} times a copy of the chart as JSON. Aim: under 5 ms.`,
  );
}

/** Every garment of the house on one body of the size steps, as built for the page: the slowest, and the gown. */
async function everyGarment(say: (line: string) => void) {
  const { computeSheet } = await built();
  const lines = asLines(randomBody(seeded(5)));
  const medians: { id: string; ours: number; ratio: number }[] = [];
  for (const { id } of core.GARMENTS) {
    const input = toSheetInput(garmentSpec(id, lines));
    for (let i = 0; i < 1500; i++) computeSheet(input);
    const copy = async () => JSON.parse(JSON.stringify(input));
    const { ours, ratio } = await interleaved(400, 200, copy, async () => computeSheet(input));
    medians.push({ id, ours: ours.median, ratio });
  }
  const [slowest] = [...medians].sort((a, b) => b.ours - a.ours);
  const gown = medians.find((m) => m.id === 'gown')!;
  const over = medians.filter((m) => m.ours >= 1).map((m) => `${m.id} ${ms(m.ours)}`);
  say(
    `core, ${medians.length} garments, as built for the page: slowest ${slowest!.id} ${ms(slowest!.ours)} ms (${slowest!.ratio.toFixed(0)} times a copy of its input), gown ${ms(gown.ours)} ms; at 1 ms or over: ${over.join(', ') || 'none'}. Aims: gown under 3 ms, any single garment under 1 ms.`,
  );
}

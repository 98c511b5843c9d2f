import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { computeFile } from '@rocchetto/contract';
import { drawPanelsApart } from '@rocchetto/core';
import { here, readSpecFile } from './json-file.ts';
import { runTool, StopWord } from './stop-word.ts';

const USAGE = 'Usage: ./rocchetto spec FILE.json [--draw OUT.svg]. docs/formats.md tells the format.';

function asked(): { readonly file: string; readonly draw: string | undefined } {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: { draw: { type: 'string' } },
    });
    if (positionals.length !== 1) throw new StopWord(USAGE);
    return { file: positionals[0]!, draw: values.draw };
  } catch {
    throw new StopWord(USAGE);
  }
}
/** Reads a spec file and prints its sheet as JSON, or draws its panels. No database, no network. */
runTool(async () => {
  const { file, draw } = asked();
  const spec = readSpecFile(file);
  const made = computeFile(spec);
  if (draw === undefined) process.stdout.write(`${JSON.stringify(made, null, 2)}\n`);
  else if (made.panels.length === 0)
    throw new StopWord(
      `${file} gives no panel to draw. Its sheet says what is missing: ./rocchetto spec ${file}`,
    );
  else {
    try {
      writeFileSync(here(draw), drawPanelsApart(made.panels));
    } catch (error) {
      throw new StopWord(`${draw} cannot be written: ${(error as Error).message}`);
    }
    process.stdout.write(`${made.panels.length} panels drawn into ${draw}\n`);
  }
  return 0;
});

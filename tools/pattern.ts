import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { toSheetInput, unitOf } from '@rocchetto/contract';
import { computeSheet } from '@rocchetto/core';
import { arranged } from '@rocchetto/core/pattern/arrange.ts';
import { patternDxf } from '@rocchetto/core/pattern/dxf.ts';
import { PAPERS, type PaperId } from '@rocchetto/core/pattern/papers.ts';
import { type Pattern, patternOf } from '@rocchetto/core/pattern/pattern.ts';
import { patternSvg } from '@rocchetto/core/pattern/svg.ts';
import type { TilesAsked } from '@rocchetto/core/pattern/tiles.ts';
import { wholePanels } from '@rocchetto/core/pattern/whole-panels.ts';
import type { SheetUnit } from '@rocchetto/core/units/length.ts';
import { rollPdf, tilesPdf } from '../server/areas/sheets/pattern-pdf.ts';
import { here, readSpecFile } from './json-file.ts';
import { runTool, StopWord } from './stop-word.ts';

const USAGE = `Usage: ./rocchetto pattern FILE.json OUT
  --svg | --dxf                     one drawing, millimetres
  --pdf ${Object.keys(PAPERS).join('|')} [--landscape] [--apart]   sheets to glue together; --apart: each piece by itself
  --roll CM                         a roll so wide, such as 91
  [--opened]                        halves on the fold drawn whole`;

/** All pieces in one drawing lie in rows of this width, cm. */
const DRAWING = 200;

function asked() {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: {
        svg: { type: 'boolean' },
        dxf: { type: 'boolean' },
        pdf: { type: 'string' },
        roll: { type: 'string' },
        landscape: { type: 'boolean' },
        apart: { type: 'boolean' },
        opened: { type: 'boolean' },
      },
    });
    const ways = [values.svg, values.dxf, values.pdf, values.roll].filter((x) => x !== undefined);
    if (positionals.length !== 2 || ways.length !== 1) throw new StopWord(USAGE);
    if (values.pdf !== undefined && !Object.hasOwn(PAPERS, values.pdf)) throw new StopWord(USAGE);
    const roll = values.roll === undefined ? null : Number(values.roll);
    if (roll !== null && !(roll >= 30 && roll <= 300))
      throw new StopWord('A roll is 30 to 300 cm wide. No pattern was written.');
    return { ...values, roll, file: positionals[0]!, out: positionals[1]! };
  } catch (error) {
    throw error instanceof StopWord ? error : new StopWord(USAGE);
  }
}

async function made(
  pattern: Pattern,
  q: ReturnType<typeof asked>,
  unit: SheetUnit,
): Promise<string | Buffer> {
  if (q.svg || q.dxf) {
    const lying = arranged(pattern.pieces, DRAWING);
    return q.svg ? patternSvg(lying, pattern.title) : patternDxf(lying);
  }
  if (q.roll !== null)
    try {
      return await rollPdf(pattern, q.roll);
    } catch (error) {
      throw error instanceof RangeError ? new StopWord(error.message) : error;
    }
  const tiles: TilesAsked = {
    paper: q.pdf as PaperId,
    way: q.landscape ? 'landscape' : 'portrait',
    apart: q.apart === true,
  };
  return tilesPdf(pattern, tiles, unit);
}

/** Reads a spec file and writes its pattern at full size. No database, no network. */
runTool(async () => {
  const q = asked();
  const spec = readSpecFile(q.file);
  const panels = wholePanels(computeSheet(toSheetInput(spec)));
  if (panels.length === 0)
    throw new StopWord(
      `${q.file} gives no panel to draw. Its sheet says what is missing: ./rocchetto spec ${q.file}`,
    );
  const number = spec.order?.number ?? '';
  const pattern = patternOf(panels, {
    title: number || 'Pattern',
    lines: [number].filter(Boolean),
    opened: q.opened === true,
  });
  try {
    writeFileSync(here(q.out), await made(pattern, q, unitOf(spec)));
  } catch (error) {
    if (error instanceof StopWord) throw error;
    throw new StopWord(`${q.out} cannot be written: ${(error as Error).message}`);
  }
  process.stdout.write(`${pattern.pieces.length} pieces written into ${q.out}\n`);
  return 0;
});

import { parseArgs } from 'node:util';
import { toCm, toSheetInput, unitOf } from '@rocchetto/contract';
import { ClothId } from '@rocchetto/contract/laid.ts';
import { type Cm, cm, computeSheet, formatSentence, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { CLOTHS } from '@rocchetto/core/garment/laid-length.ts';
import { clothsFor } from '@rocchetto/core/garment/other-cloths.ts';
import { answerOf } from '@rocchetto/core/lay/answer.ts';
import { byCloth } from '@rocchetto/core/lay/by-cloth.ts';
import { type ClothInHand, clothFaults } from '@rocchetto/core/lay/cloth.ts';
import { layOn } from '@rocchetto/core/lay/lay.ts';
import { layRows } from '@rocchetto/core/lay/rows.ts';
import { WAYS, type Way } from '@rocchetto/core/lay/ways.ts';
import { readSpecFile } from './json-file.ts';
import { runTool, StopWord } from './stop-word.ts';

const USAGE = `Usage: ./rocchetto lay FILE.json
  [--cloth ${CLOTHS.join('|')}] [--width "150 cm"] [--length "180 cm"] [--selvedge "1 cm"]
  [--way ${WAYS.join('|')}] [--one-way] [--seconds 3] [--seed 1] [--json]`;

function asked() {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: {
        cloth: { type: 'string', default: 'outer' },
        width: { type: 'string' },
        length: { type: 'string' },
        selvedge: { type: 'string', default: '1 cm' },
        way: { type: 'string', default: 'open' },
        'one-way': { type: 'boolean', default: false },
        seconds: { type: 'string', default: '3' },
        seed: { type: 'string', default: '1' },
        json: { type: 'boolean', default: false },
      },
    });
    const of = ClothId.safeParse(values.cloth);
    const [seconds, seed] = [Number(values.seconds), Number(values.seed)];
    if (positionals.length !== 1 || !of.success || !(WAYS as readonly string[]).includes(values.way))
      throw new StopWord(USAGE);
    if (!(seconds > 0 && seconds <= 600) || !Number.isInteger(seed))
      throw new StopWord('Seconds are over 0 and up to 600, the seed is a whole number. Nothing was laid.');
    return { ...values, of: of.data, way: values.way as Way, seconds, seed, file: positionals[0]! };
  } catch (error) {
    throw error instanceof StopWord ? error : new StopWord(USAGE);
  }
}

const length = (text: string | undefined, name: string): Cm | null => {
  if (text === undefined) return null;
  try {
    return toCm(text);
  } catch (error) {
    throw new StopWord(`--${name}: ${(error as Error).message} Nothing was laid.`);
  }
};

const said = (of: Cm, unit: SheetUnit) =>
  printWithUnit(unit === 'cm' ? cm(Math.round(of * 10) / 10) : of, unit);

/** Reads a spec file, lays the pieces of one cloth and says where each lies. No database, no network. */
runTool(async () => {
  const q = asked();
  const spec = readSpecFile(q.file);
  const unit = unitOf(spec);
  const input = toSheetInput(spec);
  const own = byCloth(computeSheet(input)).find((c) => c.of === q.of);
  if (!own)
    throw new StopWord(
      `${q.file} cuts nothing from this cloth. Its sheet says what is missing: ./rocchetto spec ${q.file}`,
    );
  const width = length(q.width, 'width') ?? own.width;
  if (width === null) throw new StopWord('Say how wide the cloth is: --width "150 cm". Nothing was laid.');
  const cloth: ClothInHand = {
    width,
    length: length(q.length, 'length'),
    selvedge: length(q.selvedge, 'selvedge') ?? cm(0),
    shrinks: 0,
    oneWay: q['one-way'] || clothsFor(input.brief).some((c) => c.of === q.of && c.cloth.oneWay === true),
    bothSides: q.of === 'interfacing',
    repeat: null,
    flaws: [],
    strips: [],
  };
  const faults = clothFaults(cloth);
  if (faults.length > 0) throw new StopWord(`${faults.join(' ')} Nothing was laid.`);
  const lay = layOn(q.way, own.pieces, cloth, {
    seed: q.seed,
    now: () => performance.now(),
    time: q.seconds * 1000,
  });
  const answer = answerOf(lay, q.way, own.pieces, cloth, q.seconds);
  if (q.json) {
    process.stdout.write(
      `${JSON.stringify({ ...answer, sentence: formatSentence(answer.sentence, unit), lay }, null, 2)}\n`,
    );
    return answer.state === 'cannot' ? 1 : 0;
  }
  process.stdout.write(`${formatSentence(answer.sentence, unit)}\n`);
  for (const r of lay ? layRows(lay, own.pieces, cloth) : [])
    process.stdout.write(
      `${String(r.number).padStart(3)}  ${r.name.padEnd(36)} ${said(r.fromEnd, unit).padStart(12)} from the cut end  ${said(r.fromSide, unit).padStart(12)} from the ${r.side}  ${r.how}\n`,
    );
  return answer.state === 'cannot' ? 1 : 0;
});

import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { refusedIn, type SpecFile, SpecOrSheetFile, sentencesOf } from '@rocchetto/contract';
import type { z } from 'zod';
import { StopWord } from './stop-word.ts';

/** A file named on a command line, from where the command was called. */
export const here = (file: string) => resolve(process.env.ROCCHETTO_CALLED_FROM ?? '.', file);

/** What a JSON file holds, by its schema; `-` is what comes in. @throws StopWord with a sentence where it is no such file */
export function readJsonFile<T>(file: string, schema: z.ZodType<T>, called: string): T {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : here(file), 'utf8');
  } catch {
    throw new StopWord(`${file} cannot be read. Is the name right?`);
  }
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new StopWord(`${file} is not JSON: ${(error as Error).message}`);
  }
  const read = schema.safeParse(json);
  if (!read.success)
    throw new StopWord(
      `${file} is not a ${called} this program understands:\n  ${sentencesOf(read.error).join('\n  ')}`,
    );
  return read.data;
}

/** A spec file that a sheet can be computed from. @throws StopWord with a sentence where it is none, or sets what cannot be followed */
export function readSpecFile(file: string): SpecFile {
  const spec = readJsonFile(file, SpecOrSheetFile, 'spec');
  const refused = refusedIn(spec);
  if (refused.length > 0)
    throw new StopWord(`${file} sets by hand what its sheet cannot follow:\n  ${refused.join('\n  ')}`);
  return spec;
}

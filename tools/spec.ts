import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { computeFile, refusedIn, SpecOrSheetFile, sentencesOf } from '@rocchetto/contract';
import { runTool, StopWord } from './stop-word.ts';

/** Reads a spec file and prints its sheet as JSON. No database, no network. */
runTool(async () => {
  const [file, ...rest] = process.argv.slice(2);
  if (!file || rest.length > 0)
    throw new StopWord('Usage: ./rocchetto spec FILE.json. docs/formats.md tells the format.');
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : resolve(process.env.ROCCHETTO_CALLED_FROM ?? '.', file), 'utf8');
  } catch {
    throw new StopWord(`${file} cannot be read. Is the name right?`);
  }
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new StopWord(`${file} is not JSON: ${(error as Error).message}`);
  }
  const spec = SpecOrSheetFile.safeParse(json);
  if (!spec.success)
    throw new StopWord(
      `${file} is not a spec this program understands:\n  ${sentencesOf(spec.error).join('\n  ')}`,
    );
  const refused = refusedIn(spec.data);
  if (refused.length > 0)
    throw new StopWord(`${file} sets by hand what its sheet cannot follow:\n  ${refused.join('\n  ')}`);
  process.stdout.write(`${JSON.stringify(computeFile(spec.data), null, 2)}\n`);
  return 0;
});

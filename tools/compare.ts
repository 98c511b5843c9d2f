import { ChartRefused, CompareFile, compareFile } from '@rocchetto/contract/compare.ts';
import { readJsonFile } from './json-file.ts';
import { runTool, StopWord } from './stop-word.ts';

const USAGE = 'Usage: ./rocchetto compare FILE.json. docs/formats.md tells the format.';

/** Holds the sizes of a chart against a body and a brief and prints them as JSON, the least work first. No database, no network. */
runTool(async () => {
  const [file, ...more] = process.argv.slice(2);
  if (!file || more.length > 0 || file.startsWith('--')) throw new StopWord(USAGE);
  try {
    process.stdout.write(
      `${JSON.stringify(compareFile(readJsonFile(file, CompareFile, 'comparison')), null, 2)}\n`,
    );
  } catch (error) {
    if (!(error instanceof ChartRefused)) throw error;
    throw new StopWord(`${file} holds a chart that cannot be used:\n  ${error.sentences.join('\n  ')}`);
  }
  return 0;
});

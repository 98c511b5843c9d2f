import { existsSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { backup, restore } from './backup.ts';
import { runTool, StopWord } from './stop-word.ts';
import { target } from './target.ts';

/** The passphrase a backup is sealed with: the first line of a file, or the environment. None seals nothing. */
function passphraseOf(file: string | undefined): string | null {
  if (file === undefined) return process.env.BACKUP_PASSPHRASE || null;
  if (!existsSync(file)) throw new StopWord(`There is no ${file}.`);
  const [line = ''] = readFileSync(file, 'utf8').split('\n');
  if (line.trim() === '') throw new StopWord(`The first line of ${file} is the passphrase; it is empty.`);
  return line.trim();
}

runTool(async () => {
  const { values, positionals } = parseArgs({
    options: {
      'into-empty': { type: 'boolean', default: false },
      'passphrase-file': { type: 'string' },
    },
    allowPositionals: true,
  });
  const [what, name] = positionals;
  if (!name || positionals.length > 2)
    throw new StopWord(
      `Say which file: ./rocchetto ${what} FILE${what === 'restore' ? ' [--into-empty]' : ''} [--passphrase-file FILE]`,
    );
  const file = resolve(process.env.ROCCHETTO_CALLED_FROM ?? '.', name);
  const from = process.env.ROCCHETTO_CALLED_FROM ?? '.';
  const said = values['passphrase-file'];
  const passphrase = passphraseOf(said === undefined ? undefined : resolve(from, said));
  const { url, done } = await target();
  try {
    if (what === 'backup') {
      const tables = await backup(url, file, passphrase);
      const rows = Object.values(tables).reduce((n, t) => n + t.rows, 0);
      process.stdout.write(
        `Backed up ${Object.keys(tables).length} tables, ${rows} rows: ${file}\nIts checks lie beside it: ${file}.check.json\n${passphrase ? 'Both are sealed with the passphrase: without it nobody opens or changes them.\n' : 'It is not sealed: whoever can read it reads the studio’s book. Add --passphrase-file FILE to seal it.\n'}`,
      );
    } else {
      const { aside, proven } = await restore(url, file, values['into-empty'], passphrase);
      process.stdout.write(
        `Restored and checked: every table is as its check file says.\n${proven ? '' : 'This backup is not sealed: had somebody changed both the backup and its check file, nobody could tell.\n'}${aside ? `The studio that was there is kept as database “${aside}”.\n` : ''}`,
      );
    }
    return 0;
  } finally {
    await done();
  }
});

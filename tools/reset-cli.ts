import { reset } from './reset.ts';
import { runTool, StopWord } from './stop-word.ts';
import { target } from './target.ts';

runTool(async () => {
  const name = process.argv.slice(2).join(' ').trim();
  if (name === '') throw new StopWord('Say whom: ./rocchetto reset NAME');
  const { url, done } = await target();
  try {
    const path = await reset(url, name);
    const at = process.env.PUBLIC_URL?.replace(/\/$/, '') ?? '';
    process.stdout.write(
      `A new sign-in link for ${name}, good for three days and once: ${at}${path}\n${at ? '' : 'Put the studio’s address before it.\n'}Their second factor is off, and their other sign-ins end when the link is used.\n`,
    );
    return 0;
  } finally {
    await done();
  }
});

import { buildServer } from './build-server.ts';
import { buildWeb } from './build-web.ts';
import { runTool } from './stop-word.ts';

/** Builds what `./rocchetto serve` starts. */
runTool(async () => {
  buildServer();
  await buildWeb();
  return 0;
});

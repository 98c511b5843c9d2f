import { join } from 'node:path';
import { putTogether } from './build-server.ts';
import { local } from './cluster.ts';

/** Puts together what `./rocchetto spec` starts: it reads its file in a third of the time that its sources take. */
putTogether({ spec: 'tools/spec.ts' }, join(local, 'built'));

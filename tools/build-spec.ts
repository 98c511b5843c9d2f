import { join } from 'node:path';
import { putTogether } from './build-server.ts';
import { local } from './cluster.ts';

/** Puts together what `./rocchetto spec` and `compare` start: they read their file in a third of the time that their sources take. */
putTogether({ spec: 'tools/spec.ts', compare: 'tools/compare.ts' }, join(local, 'built'));

import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, startCluster } from '../tools/cluster.ts';
import { runTool } from '../tools/stop-word.ts';
import { alterationsBench } from './alterations.ts';
import { bookingsBench } from './bookings.ts';
import { coreBench } from './core.ts';
import { diaryBench } from './diary.ts';
import { diaryWebBench } from './diary-web.ts';
import { netBench } from './net.ts';
import { routesBench } from './routes.ts';
import { webBench } from './web.ts';

/** Measures what docs/performance.md reports and writes its table of figures. Ratios are against baselines of the same run. */
runTool(async () => {
  const lines: string[] = [];
  const say = (line: string) => {
    lines.push(line);
    process.stdout.write(`${line}\n`);
  };
  // `bench net` alone is quick to ask for while its table is being changed.
  if (process.argv[2] === 'net') {
    netBench(say, Number(process.argv[3]) || 10_000);
    return 0;
  }
  await coreBench(say);
  netBench(say, 3000);
  const cluster = await startCluster('bench', true);
  try {
    await diaryWebBench(cluster, await diaryBench(cluster, say), say);
    bookingsBench(cluster, say);
    await alterationsBench(cluster, say);
    await routesBench(cluster, say);
    await webBench(cluster, say);
  } finally {
    await cluster.discard();
  }
  writeFileSync(join(root, 'docs/performance-figures.txt'), `${lines.join('\n')}\n`);
  return 0;
});

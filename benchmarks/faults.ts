import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import type { Cluster } from '../tools/cluster.ts';
import { provoke } from '../tools/faults.ts';

/** Everything that may go wrong with two processes and their database, for so many seconds; what was acknowledged is counted. */
export async function faultsBench(cluster: Cluster, say: (line: string) => void) {
  await cluster.ensureDatabase('bench_faults', true);
  const url = cluster.url('bench_faults');
  await migrate(url);
  await seedDemo(url);
  const f = await provoke(url, Number(process.argv[3]) || 60, 6);
  say(
    `faults: ${f.kinds} kinds of writes, ${f.sent} made, ${f.acknowledged} acknowledged; ${f.kills} processes killed, ${f.terminated} connections ended, ${f.answersThrownAway} answers thrown away. Lost: ${f.lost.length}. Doubled: ${f.doubled.length}. Kinds never acknowledged: ${f.untried.join(', ') || 'none'}. Jobs held by the dead: ${f.stuckJobs}. Aim: 0 lost, 0 doubled.`,
  );
  for (const bad of [...f.lost, ...f.doubled].slice(0, 20)) say(`  ${bad}`);
}

import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { type Cluster, root, startCluster } from '../tools/cluster.ts';
import { runTool, StopWord } from '../tools/stop-word.ts';
import { actionsBench } from './actions.ts';
import { alterationsBench } from './alterations.ts';
import { bookingsBench } from './bookings.ts';
import { coreBench } from './core.ts';
import { diaryBench } from './diary.ts';
import { diaryWebBench } from './diary-web.ts';
import { faultsBench } from './faults.ts';
import { heavyBench } from './heavy.ts';
import { layBench } from './lay.ts';
import { markBench } from './mark.ts';
import { mutantsBench } from './mutants.ts';
import { netBench } from './net.ts';
import { planBench } from './plan.ts';
import { planRoutesBench } from './plan-routes.ts';
import { routesBench } from './routes.ts';
import { webBench } from './web.ts';
import { whatIfBench } from './what-if.ts';

type Bench = (say: (line: string) => void) => unknown;
const withCluster = (work: (cluster: Cluster, say: (line: string) => void) => Promise<unknown>): Bench => {
  return async (say) => {
    const cluster = await startCluster('bench', true);
    try {
      await work(cluster, say);
    } finally {
      await cluster.discard();
    }
  };
};
const ALONE: Readonly<Record<string, Bench>> = {
  actions: withCluster(actionsBench),
  core: coreBench,
  mutants: (say) => mutantsBench(say, process.argv[3], Number(process.argv[4]) || 1),
  lay: layBench,
  plan: planBench,
  'plan-routes': withCluster(planRoutesBench),
  net: (say) => netBench(say, Number(process.argv[3]) || 10_000),
  diary: withCluster(async (cluster, say) => diaryWebBench(cluster, await diaryBench(cluster, say), say)),
  routes: withCluster(routesBench),
  heavy: withCluster(heavyBench),
  'what-if': withCluster(whatIfBench),
  mark: withCluster(markBench),
  faults: withCluster(faultsBench),
  // The pages of the demo's studio.
  web: withCluster(async (cluster, say) => {
    await cluster.ensureDatabase('bench', true);
    await migrate(cluster.url('bench'));
    await seedDemo(cluster.url('bench'));
    await webBench(cluster, say);
  }),
};

/** Measures what docs/performance.md reports and writes its table of figures. Ratios are against baselines of the same run. */
runTool(async () => {
  const lines: string[] = [];
  const say = (line: string) => {
    lines.push(line);
    process.stdout.write(`${line}\n`);
  };
  // One alone is quick to ask for while what it measures is being changed: its figures are said, not written.
  const alone = process.argv[2];
  if (alone !== undefined) {
    const one = ALONE[alone];
    if (!one) throw new StopWord(`bench measures ${Object.keys(ALONE).join(', ')}, or all of it.`);
    await one(say);
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

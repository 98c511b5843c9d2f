import { spawnSync } from 'node:child_process';
import { type Cluster, root } from '../tools/cluster.ts';

/** The storm of bookings at its large size: the test that runs small in CI, with 10,000 of them. */
const BOOKINGS = 10_000;

/** 20 hands over two processes, server and PostgreSQL killed in the middle: nothing overlaps, nothing is lost. */
export function bookingsBench(cluster: Cluster, say: (line: string) => void) {
  const start = performance.now();
  const run = spawnSync(
    'npx',
    [
      'vitest',
      'run',
      '--project',
      'integration',
      'tools/bookings',
      'tools/messages',
      '--testTimeout=1200000',
    ],
    {
      cwd: root,
      encoding: 'utf8',
      env: {
        ...process.env,
        NO_COLOR: '1',
        TEST_DATABASE_ADMIN_URL: cluster.url('postgres'),
        BOOKINGS: String(BOOKINGS),
      },
    },
  );
  const tests = /Tests\s+(.+)/.exec(run.stdout)?.[1] ?? 'no tests';
  say(
    `${BOOKINGS} random bookings by 20 hands over two processes, and messages with kills in between: ${tests.trim()}, ${((performance.now() - start) / 1000).toFixed(0)} s.`,
  );
  if (run.status !== 0) say(run.stdout.slice(-3000));
}

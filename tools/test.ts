import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildWeb } from './build-web.ts';
import { local, root, startCluster } from './cluster.ts';
import { runTool } from './stop-word.ts';

interface Tally {
  passed: number;
  failed: number;
}
const bin = (name: string) => join(root, 'node_modules/.bin', name);

/** How long each phase took, printed at the end. */
const took: [phase: string, seconds: number][] = [];
function timed<T>(phase: string, work: () => T): T {
  const start = performance.now();
  try {
    return work();
  } finally {
    took.push([phase, (performance.now() - start) / 1000]);
  }
}

/** Runs one tool; its exit code is one check. */
function check(name: string, command: string, args: readonly string[], tally: Tally) {
  process.stdout.write(`\n== ${name}\n`);
  const ran = timed(name, () => spawnSync(command, args, { cwd: root, stdio: 'inherit' }));
  if (ran.status === 0) tally.passed++;
  else tally.failed++;
  process.stdout.write(ran.status === 0 ? `${name}: passed\n` : `${name}: FAILED\n`);
}

/** Runs a test runner that also writes a JSON report, and counts its tests. A runner that dies counts as one failure. */
function runner(
  name: string,
  command: string,
  args: readonly string[],
  env: NodeJS.ProcessEnv,
  report: string,
  count: (json: never) => Tally,
  tally: Tally,
) {
  process.stdout.write(`\n== ${name}\n`);
  rmSync(report, { force: true });
  const ran = timed(name, () =>
    spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }),
  );
  const counted = existsSync(report)
    ? count(JSON.parse(readFileSync(report, 'utf8')) as never)
    : { passed: 0, failed: 0 };
  tally.passed += counted.passed;
  tally.failed += ran.status !== 0 ? Math.max(1, counted.failed) : counted.failed;
  if (ran.status === 0 && counted.passed === 0) tally.failed++;
}

const vitestCount = (j: { numPassedTests: number; numFailedTests: number }): Tally => ({
  passed: j.numPassedTests,
  failed: j.numFailedTests,
});
const playwrightCount = (j: { stats: { expected: number; unexpected: number; flaky: number } }): Tally => ({
  passed: j.stats.expected + j.stats.flaky,
  failed: j.stats.unexpected,
});

runTool(async () => {
  const quick = process.argv.includes('--quick');
  const tally: Tally = { passed: 0, failed: 0 };
  const reports = join(local, 'reports');
  mkdirSync(reports, { recursive: true });
  const vitest = (project: string, env: NodeJS.ProcessEnv = {}) => {
    const report = join(reports, `${project}.json`);
    runner(
      `${project} tests`,
      bin('vitest'),
      [
        'run',
        // unit-screens are unit tests too, each file by itself
        '--project',
        `${project}*`,
        // They wait for databases and servers more than they work.
        '--maxWorkers=3',
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=${report}`,
      ],
      env,
      report,
      vitestCount,
      tally,
    );
  };

  check('format and lint', bin('biome'), ['ci', '--error-on-warnings', '.'], tally);
  check('types', bin('tsc'), ['--noEmit', '-p', '.'], tally);
  check(
    'dependency arrows',
    bin('depcruise'),
    ['core', 'contract', 'server', 'web', 'demo', '--config', '.dependency-cruiser.cjs'],
    tally,
  );
  vitest('unit');

  if (!quick) {
    timed('build', buildWeb);
    const cluster = await startCluster('test', true, true);
    try {
      const env = { TEST_DATABASE_ADMIN_URL: cluster.url('postgres') };
      vitest('integration', env);
      const report = join(reports, 'e2e.json');
      runner(
        'e2e tests',
        bin('playwright'),
        ['test', '--config', 'e2e/playwright.config.ts'],
        { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: report },
        report,
        playwrightCount,
        tally,
      );
    } finally {
      await cluster.discard();
    }
  }
  process.stdout.write(`\n${took.map(([phase, s]) => `${phase}: ${s.toFixed(0)} s`).join('\n')}\n`);
  process.stdout.write(`\n${tally.passed} passed, ${tally.failed} failed\n`);
  return tally.failed === 0 ? 0 : 1;
});

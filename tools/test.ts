import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildServer } from './build-server.ts';
import { buildWeb } from './build-web.ts';
import { local, root, startCluster } from './cluster.ts';
import { playwrightTold, type Told, vitestTold } from './reports.ts';
import { runTool } from './stop-word.ts';

interface Tally {
  passed: number;
  failed: number;
  /** of each that failed: its name and what it said, told once more at the very end */
  readonly failures: string[];
  /** every test with what it took, ms */
  readonly tests: (readonly [name: string, ms: number])[];
}
const bin = (name: string) => join(root, 'node_modules/.bin', name);

/** How long each phase took, printed at the end. */
const took: [phase: string, seconds: number][] = [];
async function timed<T>(phase: string, work: () => Promise<T>): Promise<T> {
  const start = performance.now();
  try {
    return await work();
  } finally {
    took.push([phase, (performance.now() - start) / 1000]);
  }
}

/** Runs a program to its end. What it prints is shown as it comes, or held back until it has ended. */
function ran(command: string, args: readonly string[], env: NodeJS.ProcessEnv = {}, held = false) {
  const child = spawn(command, args, {
    cwd: root,
    stdio: held ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    env: { ...process.env, ...env },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (c: Buffer) => {
      said += c;
    });
  return new Promise<{ code: number | null; said: string }>((done, fail) => {
    child.once('error', fail);
    child.once('close', (code) => done({ code, said }));
  });
}

/** Runs one tool; its exit code is one check. */
async function check(name: string, command: string, args: readonly string[], tally: Tally) {
  const { code, said } = await timed(name, () => ran(command, args, {}, true));
  if (code === 0) tally.passed++;
  else {
    tally.failed++;
    tally.failures.push(`${name}\n${said.split('\n').slice(-30).join('\n')}`);
  }
  process.stdout.write(`\n== ${name}\n${said}${name}: ${code === 0 ? 'passed' : 'FAILED'}\n`);
}

/** Runs a test runner that also writes a JSON report, and counts its tests. A runner that dies counts as one failure. */
async function runner(
  name: string,
  command: string,
  args: readonly string[],
  env: NodeJS.ProcessEnv,
  report: string,
  read: (json: never) => Told,
  tally: Tally,
) {
  process.stdout.write(`\n== ${name}\n`);
  rmSync(report, { force: true });
  const { code } = await timed(name, () => ran(command, args, env));
  const counted = existsSync(report)
    ? read(JSON.parse(readFileSync(report, 'utf8')) as never)
    : { passed: 0, failed: 0, failures: [], took: [] };
  tally.passed += counted.passed;
  tally.failed += counted.failed;
  tally.failures.push(...counted.failures);
  tally.tests.push(...counted.took);
  if (counted.failed === 0 && (code !== 0 || counted.passed === 0)) {
    tally.failed++;
    tally.failures.push(`${name}: ended with ${code}, ${counted.passed} passed`);
  }
}

runTool(async () => {
  const quick = process.argv.includes('--quick');
  const tally: Tally = { passed: 0, failed: 0, failures: [], tests: [] };
  const reports = join(local, 'reports');
  mkdirSync(reports, { recursive: true });
  const vitest = (name: string, projects: readonly string[], env: NodeJS.ProcessEnv = {}) => {
    const report = join(reports, 'vitest.json');
    return runner(
      name,
      bin('vitest'),
      [
        'run',
        ...projects.flatMap((p) => ['--project', p]),
        // They wait for databases and servers more than they work.
        '--maxWorkers=3',
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=${report}`,
      ],
      env,
      report,
      vitestTold,
      tally,
    );
  };

  const start = performance.now();
  // Each of these keeps one processor busy at the most.
  await Promise.all([
    check('format and lint', bin('biome'), ['ci', '--error-on-warnings', '--colors=off', '.'], tally),
    check('types', bin('tsc'), ['--noEmit', '-p', '.'], tally),
    check(
      'dependency arrows',
      bin('depcruise'),
      [
        ...['core', 'contract', 'server', 'web', 'demo', 'tools', 'benchmarks', 'e2e'],
        '--config',
        '.dependency-cruiser.cjs',
      ],
      tally,
    ),
    check(
      'the drawing of the house',
      process.execPath,
      ['--import', 'tsx', 'tools/house.ts', '--check'],
      tally,
    ),
    ...(quick
      ? []
      : [
          timed('build', async () => {
            buildServer();
            await buildWeb();
          }),
        ]),
  ]);

  if (quick) await vitest('unit tests', ['unit*']);
  else {
    const cluster = await startCluster('test', true, true);
    try {
      const env = { TEST_DATABASE_ADMIN_URL: cluster.url('postgres') };
      // The interface tests' studio is made while the others run.
      Object.assign(process.env, env);
      await Promise.all([
        vitest('unit and integration tests', ['unit*', 'integration'], env),
        timed('demo studio', async () => (await import('./e2e-template.ts')).makeTemplate()),
      ]);
      const report = join(reports, 'e2e.json');
      await runner(
        'e2e tests',
        bin('playwright'),
        ['test', '--config', 'e2e/playwright.config.ts'],
        { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: report },
        report,
        playwrightTold,
        tally,
      );
    } finally {
      await cluster.discard();
    }
  }
  const slowest = tally.tests.toSorted((a, b) => b[1] - a[1]).slice(0, 20);
  process.stdout.write('\nthe slowest tests:\n');
  for (const [name, ms] of slowest)
    process.stdout.write(`${(ms / 1000).toFixed(1).padStart(7)} s  ${name.replace(`${root}/`, '')}\n`);
  for (const f of tally.failures) process.stdout.write(`\n== failed: ${f}\n`);
  process.stdout.write(`\n${took.map(([phase, s]) => `${phase}: ${s.toFixed(0)} s`).join('\n')}\n`);
  process.stdout.write(`whole: ${((performance.now() - start) / 1000).toFixed(0)} s\n`);
  process.stdout.write(`\n${tally.passed} passed, ${tally.failed} failed\n`);
  return tally.failed === 0 ? 0 : 1;
});

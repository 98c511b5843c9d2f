import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { seeded } from '@rocchetto/demo/figures.ts';
import type { MutantResult } from '@stryker-mutator/api/core';
import { Stryker } from '@stryker-mutator/core';
import { globSync } from 'tinyglobby';
import { local, root } from '../tools/cluster.ts';
import { StopWord } from '../tools/stop-word.ts';

/** A room of the house, its sources and the tests that should notice when they are changed. */
interface Room {
  readonly sources: readonly string[];
  readonly tests: readonly string[];
}
const room = (path: string, ...more: string[]): Room => ({
  sources: [`${path}/**/*.ts`],
  tests: [`${path}/**/*.test.ts`, ...more],
});
const ROOMS: Readonly<Record<string, Room>> = {
  units: room('core/units', 'core/text/**/*.test.ts'),
  // What it draws is judged on garments; its outline of the cloth where the pattern is cut.
  draft: room(
    'core/draft',
    'core/pattern/**/*.test.ts',
    'core/garment/adapt.test.ts',
    'core/garment/dart-legs.test.ts',
    'core/garment/true-shape.test.ts',
    'core/alter/every-garment.test.ts',
    'core/alter/worked.test.ts',
  ),
  figure: room('core/figure', 'core/garment/worked.test.ts'),
  common: room(
    'core/garment/common',
    'core/garment/true-garments.test.ts',
    'core/garment/true-shape.test.ts',
    'core/garment/parts/**/*.test.ts',
    'contract/worked.test.ts',
    // Figures set by hand, what is read twice, what does not go together: all of a sheet's own rules.
    'core/garment/closing.test.ts',
    'core/garment/{read-true,rounded-up,two-sides,laid-length,whole}.test.ts',
    'core/sheet/{sheet,found-wrong}.test.ts',
  ),
  alter: room('core/alter'),
  diary: room('core/diary'),
  checks: room('core/checks', 'core/expected-ranges/**/*.test.ts'),
  contract: room('contract'),
};
/** Changes are made in windows of so many lines, so many windows a room: the whole house would take days. */
const WINDOW = 6;
const WINDOWS = 25;

/** Lines of a room's sources that are looked at, the same ones for the same seed. */
function sampled(of: Room, seed: number, windows: number): string[] {
  const files = globSync([...of.sources], {
    cwd: root,
    ignore: ['**/*.test.ts', '**/testing*.ts', '**/index.ts'],
  }).sort();
  const lines = files.map((f) => [f, readFileSync(join(root, f), 'utf8').split('\n').length] as const);
  const whole = lines.reduce((n, [, count]) => n + count, 0);
  const rnd = seeded(seed);
  return Array.from({ length: windows }, () => {
    let at = Math.floor(rnd() * whole);
    for (const [file, count] of lines) {
      if (at < count) return `${file}:${at + 1}-${Math.min(count, at + WINDOW)}`;
      at -= count;
    }
    throw new Error('beyond the last file');
  });
}

/** Changes sampled lines of a room one by one and runs its tests: what none of them notices is listed. */
async function mutantsOf(
  name: string,
  of: Room,
  seed: number,
  windows: number,
): Promise<readonly MutantResult[]> {
  process.env.MUTANTS_TESTS = of.tests.join(' ');
  const temporary = join(local, 'mutants', name);
  rmSync(temporary, { recursive: true, force: true });
  mkdirSync(temporary, { recursive: true });
  return new Stryker({
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner'],
    vitest: { configFile: 'vitest.mutants.config.ts' },
    mutate: sampled(of, seed, windows),
    ignorePatterns: [
      '*',
      '!core/**',
      '!contract/**',
      '!docs/**',
      '!package.json',

      '!vitest.mutants.config.ts',
    ],
    // A table that is built when the program loads is changed only by starting anew for each: its rows have tests of their own.
    ignoreStatic: true,
    mutator: { excludedMutations: ['StringLiteral'] },
    coverageAnalysis: 'perTest',
    // TypeScript reads no configuration for it any more.
    tsconfigFile: 'none.json',
    tempDirName: temporary,
    reporters: [],
    concurrency: 2,
    timeoutMS: 20_000,
    allowConsoleColors: false,
    logLevel: 'error' as never,
  } as never).runMutationTest();
}

const KILLED = new Set(['Killed', 'Timeout']);
const COUNTED = new Set(['Killed', 'Timeout', 'Survived', 'NoCoverage']);

/**
 * How many of the changes that are made to the sources the tests notice, room by room.
 * @param asked a room, or all of them  @param seed which lines are sampled
 */
export async function mutantsBench(
  say: (line: string) => void,
  asked: string | undefined,
  seed: number,
): Promise<void> {
  const rooms = Object.entries(ROOMS).filter(([name]) => asked === undefined || name === asked);
  if (rooms.length === 0) throw new StopWord(`mutants knows ${Object.keys(ROOMS).join(', ')}.`);
  for (const [name, of] of rooms) {
    const results = (await mutantsOf(name, of, seed, WINDOWS)).filter((m) => COUNTED.has(m.status));
    const killed = results.filter((m) => KILLED.has(m.status)).length;
    const share = results.length === 0 ? 100 : Math.round((100 * killed) / results.length);
    say(`${name}: ${killed} of ${results.length} changes noticed, ${share} % (seed ${seed})`);
    for (const m of results.filter((x) => !KILLED.has(x.status)))
      say(
        `  ${m.fileName.replace(`${root}/`, '')}:${m.location.start.line} ${m.mutatorName}: ${(m.replacement ?? '').replace(/\s+/g, ' ').slice(0, 90)}${m.status === 'NoCoverage' ? ' (no test runs it)' : ''}`,
      );
  }
}

import { existsSync, readFileSync } from 'node:fs';

/** What a test runner's report says: how many passed, and of each that failed its name and the first of what it said. */
export interface Told {
  readonly passed: number;
  readonly failed: number;
  readonly failures: readonly string[];
  /** every test with what it took, ms */
  readonly took: readonly (readonly [name: string, ms: number])[];
}

const LINES = 24;
/** Colours are for a screen. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: that is what they are made of
const COLOURS = /\u001b\[[\d;]*m/g;
const first = (text: string, lines = LINES) =>
  text.replace(COLOURS, '').split('\n').slice(0, lines).join('\n');

export interface VitestReport {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly testResults: readonly {
    readonly name: string;
    readonly status: string;
    readonly message: string;
    readonly assertionResults: readonly {
      readonly fullName: string;
      readonly status: string;
      readonly duration?: number | null;
      readonly failureMessages?: readonly string[] | null;
    }[];
  }[];
}

/** A file that could not be run at all fails without a failed test of its own: it counts as one. */
export function vitestTold(of: VitestReport): Told {
  const failures: string[] = [];
  for (const file of of.testResults) {
    const fallen = file.assertionResults.filter((a) => a.status === 'failed');
    for (const a of fallen)
      failures.push(`${file.name} › ${a.fullName}\n${first((a.failureMessages ?? []).join('\n'))}`);
    if (file.status === 'failed' && fallen.length === 0)
      failures.push(`${file.name}\n${first(file.message)}`);
  }
  const took = of.testResults.flatMap((file) =>
    file.assertionResults.map((a) => [`${file.name} › ${a.fullName}`, a.duration ?? 0] as const),
  );
  return { passed: of.numPassedTests, failed: failures.length, failures, took };
}

interface Suite {
  readonly suites?: readonly Suite[];
  readonly specs: readonly {
    readonly file: string;
    readonly line: number;
    readonly title: string;
    readonly ok: boolean;
    readonly tests: readonly {
      readonly results: readonly {
        readonly duration?: number;
        readonly errors: readonly { readonly message?: string }[];
        readonly attachments: readonly { readonly name: string; readonly path?: string }[];
      }[];
    }[];
  }[];
}
export interface PlaywrightReport {
  readonly suites: readonly Suite[];
  readonly errors: readonly { readonly message?: string }[];
  readonly stats: { readonly expected: number; readonly unexpected: number; readonly flaky: number };
}

/** Of a failed interface test also what stood on the page. */
export function playwrightTold(of: PlaywrightReport): Told {
  const failures = of.errors.map((e) => first(e.message ?? ''));
  const took: (readonly [string, number])[] = [];
  const walk = (suite: Suite) => {
    for (const s of suite.specs) {
      took.push([`${s.file}:${s.line} › ${s.title}`, s.tests[0]?.results.at(-1)?.duration ?? 0]);
      if (s.ok) continue;
      const last = s.tests[0]?.results.at(-1);
      const page = last?.attachments.find((a) => a.name === 'error-context')?.path;
      failures.push(
        [
          `${s.file}:${s.line} › ${s.title}`,
          ...(last?.errors ?? []).map((e) => first(e.message ?? '')),
          ...(page && existsSync(page) ? [first(readFileSync(page, 'utf8'), 120)] : []),
        ].join('\n'),
      );
    }
    for (const inner of suite.suites ?? []) walk(inner);
  };
  for (const suite of of.suites) walk(suite);
  return { passed: of.stats.expected + of.stats.flaky, failed: failures.length, failures, took };
}

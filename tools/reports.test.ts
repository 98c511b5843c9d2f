import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { playwrightTold, vitestTold } from './reports.ts';

describe('what the runners report', () => {
  it('names each failed test with what it said, and a file that could not be run', () => {
    const told = vitestTold({
      numPassedTests: 2,
      numFailedTests: 1,
      testResults: [
        {
          name: 'core/a.test.ts',
          status: 'failed',
          message: '',
          assertionResults: [
            { fullName: 'a waist closes', status: 'passed', duration: 12 },
            {
              fullName: 'a hem is even',
              status: 'failed',
              failureMessages: ['\u001b[31mexpected 2\u001b[0m'],
            },
          ],
        },
        { name: 'core/b.test.ts', status: 'failed', message: 'no such module', assertionResults: [] },
      ],
    });
    expect(told).toEqual({
      passed: 2,
      failed: 2,
      failures: ['core/a.test.ts › a hem is even\nexpected 2', 'core/b.test.ts\nno such module'],
      took: [
        ['core/a.test.ts › a waist closes', 12],
        ['core/a.test.ts › a hem is even', 0],
      ],
    });
  });

  it('names a failed interface test, wherever it stands, with what was on the page', () => {
    const folder = mkdtempSync(join(tmpdir(), 'reports-'));
    const path = join(folder, 'page.md');
    writeFileSync(path, '- heading "Orders"');
    const spec = (title: string, ok: boolean) => ({
      file: 'day.spec.ts',
      line: 7,
      title,
      ok,
      tests: [
        {
          results: [
            {
              duration: ok ? undefined : 2500,
              errors: ok ? [] : [{ message: 'not visible' }],
              attachments: ok ? [] : [{ name: 'error-context', path }],
            },
          ],
        },
      ],
    });
    const told = playwrightTold({
      suites: [{ specs: [spec('good', true)], suites: [{ specs: [spec('bad', false)] }] }],
      errors: [],
      stats: { expected: 1, unexpected: 1, flaky: 0 },
    });
    rmSync(folder, { recursive: true });
    expect(told).toEqual({
      passed: 1,
      failed: 1,
      failures: ['day.spec.ts:7 › bad\nnot visible\n- heading "Orders"'],
      took: [
        ['day.spec.ts:7 › good', 0],
        ['day.spec.ts:7 › bad', 2500],
      ],
    });
  });

  it('cuts what is long', () => {
    const message = Array.from({ length: 500 }, (_, i) => `line ${i}`).join('\n');
    const { failures } = playwrightTold({
      suites: [],
      errors: [{ message }],
      stats: { expected: 0, unexpected: 0, flaky: 0 },
    });
    expect(failures[0]!.split('\n')).toHaveLength(24);
  });
});

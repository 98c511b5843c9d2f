import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { parseAst } from 'vite';
import { describe, expect, it } from 'vitest';

const BRANCHES = /^(If|For|ForOf|ForIn|While|DoWhile|Switch|Try)Statement$/;
const FUNCTIONS = /^(FunctionDeclaration|FunctionExpression|ArrowFunctionExpression)$/;
/** How many branches and loops may stand in one another within one function; `else if` stands beside its `if`. */
const MOST = 4;

interface Node {
  readonly type: string;
  readonly start: number;
  readonly [key: string]: unknown;
}

/** Where branches stand deeper in one another than they may, as line numbers. */
function tooDeep(source: string, most = MOST, lang: 'ts' | 'tsx' = 'tsx'): number[] {
  const lines: number[] = [];
  const walk = (n: unknown, depth: number, isElse: boolean): void => {
    if (Array.isArray(n)) {
      for (const each of n) walk(each, depth, false);
      return;
    }
    if (n === null || typeof n !== 'object' || typeof (n as Node).type !== 'string') return;
    const node = n as Node;
    const deeper = BRANCHES.test(node.type) && !isElse ? 1 : 0;
    const at = FUNCTIONS.test(node.type) ? 0 : depth + deeper;
    if (deeper > 0 && at > most) lines.push(source.slice(0, node.start).split('\n').length);
    for (const [key, child] of Object.entries(node))
      if (child !== null && typeof child === 'object')
        walk(child, at, key === 'alternate' && (child as Node).type === 'IfStatement');
  };
  walk(parseAst(source, { lang }), 0, false);
  return lines;
}

const sources = execFileSync('git', ['ls-files', 'web', 'server', 'contract', 'core', 'demo', 'tools'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$|\/earlier\//.test(f));

describe('how deep branches stand in one another', () => {
  it('is four at most, in every function', () => {
    expect(sources.length).toBeGreaterThan(700);
    expect(
      sources.flatMap((file) =>
        tooDeep(readFileSync(file, 'utf8'), MOST, file.endsWith('x') ? 'tsx' : 'ts').map(
          (line) => `${file}:${line}`,
        ),
      ),
    ).toEqual([]);
  });
  it('would be noticed, and else-if stands beside its if', () => {
    const chain = 'if (a) {} else if (b) {} else if (c) {} else if (d) {}';
    expect(tooDeep(`function f() { ${chain} }`, 1)).toEqual([]);
    expect(tooDeep('function f() {\n if (a) for (;;) while (b) {}\n}', 2)).toEqual([2]);
    expect(tooDeep('const f = () => { if (a) { const g = () => { if (b) {} }; } };', 1)).toEqual([]);
  });
});

import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const book = readFileSync('docs/words.md', 'utf8');
/** The first column of the table under a heading. */
function refused(heading: string): string[] {
  const part = book.split(`\n## ${heading}\n`)[1]?.split('\n## ')[0] ?? '';
  return [...part.matchAll(/^\| (?!never|---)(.+?) \|/gm)].map((m) => m[1]!.trim());
}
const labels = refused('Refused as a whole label');
const phrases = refused('Refused anywhere');

const literal = (s: string) => s.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** What a person can never see: comments, and what a line of code says to the computer. */
const shown = (source: string) => source.replace(/\/\*[\s\S]*?\*\//g, '').replace(/(^|\s)\/\/.*$/gm, '$1');
const sources = execFileSync('git', ['ls-files', 'web', 'server', 'contract', 'core'], { encoding: 'utf8' })
  .split('\n')
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$|testing|\/earlier\//.test(f))
  .map((file) => ({ file, text: shown(readFileSync(file, 'utf8')).replace(/\s+/g, ' ') }));

const found = (pattern: RegExp) =>
  sources.flatMap(({ file, text }) => [...text.matchAll(pattern)].map((m) => `${file}: ${m[0].trim()}`));

describe('the words of the program', () => {
  it('are listed: the tables are read, and there is something to read', () => {
    expect(labels.length).toBeGreaterThan(20);
    expect(phrases.length).toBeGreaterThan(60);
    expect(sources.length).toBeGreaterThan(500);
  });
  it('no label, heading or button is one of the old ones', () =>
    expect(found(new RegExp(`> ?(${labels.map(literal).join('|')}) ?</(?!title)`, 'g'))).toEqual([]));
  it('no text holds one of the old phrases', () =>
    expect(found(new RegExp(`.{0,20}(?<![A-Za-z])(${phrases.map(literal).join('|')}).{0,20}`, 'g'))).toEqual(
      [],
    ));
  it('nor does a page of the docs that is read by who uses the program', () => {
    const papers = [
      'README.md',
      ...readdirSync('docs')
        .filter((f) => f.endsWith('.md') && f !== 'words.md')
        .map((f) => `docs/${f}`),
    ];
    expect(papers.length).toBeGreaterThan(5);
    const old = new RegExp(`.{0,20}(?<![A-Za-z])(${phrases.map(literal).join('|')}).{0,20}`, 'g');
    expect(
      papers.flatMap((f) => [...readFileSync(f, 'utf8').matchAll(old)].map((m) => `${f}: ${m[0]}`)),
    ).toEqual([]);
  });
  it('what the server refuses is said in the texts of its room, not beside the code', () => {
    const beside = /new HttpError\( ?[\w.]+, ?'[\w-]+', ?['"`]|\bno\( ?'[\w-]+', ?['"`][^'"`]* /g;
    expect(found(beside).filter((f) => f.startsWith('server/'))).toEqual([]);
    expect("new HttpError(409, 'closed', 'The studio is closed.')").toMatch(beside);
    expect(sources.filter((s) => /^server\/.*\/texts\.ts$/.test(s.file)).length).toBeGreaterThan(20);
  });
  it('would be noticed: an old label and an old phrase in a page', () => {
    expect('<button> take off </button>'.replace(/\s+/g, ' ')).toMatch(
      new RegExp(`> ?(${labels.map(literal).join('|')}) ?</`),
    );
    expect('Fetching the order').toMatch(new RegExp(phrases.map(literal).join('|')));
  });
});

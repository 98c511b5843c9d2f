import { readdirSync, readFileSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { SERVER } from '../db/where.ts';

const assets = fileURLToPath(new URL('../web/dist/assets', SERVER));
const files = readdirSync(assets).filter((f) => f.endsWith('.js'));
const named = (name: string) => {
  const found = files.filter((f) => new RegExp(`^${name}-[\\w-]{8}\\.js$`).test(f));
  expect(found, name).toHaveLength(1);
  return found[0]!;
};
const IMPORTS = /(?:from|import)["'`]\.\/([^"'`]+\.js)["'`]/g;

/** Everything that comes with these files before any of it runs. */
function withWhatTheyNeed(...first: readonly string[]): readonly string[] {
  const all = new Set<string>();
  const take = (file: string) => {
    if (all.has(file)) return;
    all.add(file);
    for (const [, needed] of readFileSync(`${assets}/${file}`, 'utf8').matchAll(IMPORTS)) take(needed!);
  };
  first.forEach(take);
  return [...all];
}
const entry = /src="\/assets\/([^"]+\.js)"/.exec(
  readFileSync(fileURLToPath(new URL('../web/dist/index.html', SERVER)), 'utf8'),
)![1]!;
const gzipped = (list: readonly string[]) =>
  list.reduce((sum, f) => sum + statSync(`${assets}/${f}.gz`).size, 0) / 1024;
const names = (list: readonly string[]) => list.map((f) => f.replace(/-[\w-]{8}\.js$/, ''));

describe('what a page brings before it can be used', () => {
  const door = withWhatTheyNeed(entry, named('SignInPage'));
  const orders = withWhatTheyNeed(entry, named('House'), named('OrdersPage'));
  const sheet = withWhatTheyNeed(entry, named('House'), named('SheetPage'), named('straight-skirt'));

  it('the door knows nothing of the house behind it: no library, no store, no garments', () => {
    expect(names(door)).toContain('SignInPage');
    for (const heavy of [
      'component-library',
      'endpoints',
      'base',
      'schemas',
      'without-parts',
      'parts-common',
    ])
      expect(names(door)).not.toContain(heavy);
    expect(gzipped(door)).toBeLessThan(130);
  });
  it('the orders and the sheet do without the component library, and keep to their size', () => {
    for (const page of [orders, sheet]) expect(names(page)).not.toContain('component-library');
    expect(names(orders)).toContain('endpoints');
    expect(gzipped(orders)).toBeLessThan(230);
    expect(gzipped(sheet)).toBeGreaterThan(gzipped(orders));
    expect(gzipped(sheet)).toBeLessThan(260);
  });
  it('a skirt brings nothing that hangs from the shoulder or goes round a leg', () => {
    for (const other of [
      'uppers-common',
      'legs-common',
      'falling-common',
      'darted-bodice',
      'sleeve',
      'trousers',
    ])
      expect(names(sheet)).not.toContain(other);
  });
  it('the find field brings the library, and no garment', () => {
    const field = names(withWhatTheyNeed(named('FindField')));
    expect(field).toContain('component-library');
    for (const garment of ['every-part', 'straight-skirt', 'parts-common', 'without-parts'])
      expect(field).not.toContain(garment);
  });
});

import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { findHelp, HELP, helpFor, keysOf } from './help.ts';
import { KEYS } from './keys.ts';

const file = (path: string) => new URL(`../${path}`, import.meta.url);

describe('the help', () => {
  it('has a page for every address of the house, each with its purpose, steps and a picture that is there', () => {
    const routes = readFileSync(file('web/app/routes.tsx'), 'utf8');
    const inside = routes.slice(routes.indexOf("path: '/',"));
    const addresses = [...inside.matchAll(/path: '([a-z][^']*)'/g)].map((m) => `/${m[1]}`);
    expect(addresses.length).toBeGreaterThan(25);
    const known = new Set(HELP.flatMap((h) => h.at));
    const without = addresses.filter((a) => !known.has(a.replace(':alteration', ':id')));
    expect(without).toEqual([]);
    for (const h of HELP) {
      expect(existsSync(file(h.picture)), h.id).toBe(true);
      expect(h.steps.length, h.id).toBeGreaterThan(1);
    }
    expect(new Set(HELP.map((h) => h.id)).size).toBe(HELP.length);
  });
  it('is that of where one is', () => {
    expect(helpFor('/orders/12/sheet').id).toBe('sheet');
    expect(helpFor('/orders/12/alterations/3').id).toBe('job');
    expect(helpFor('/orders/new').id).toBe('orders');
    expect(helpFor('/clients/7/').id).toBe('clients');
    expect(helpFor('/nowhere/at/all').id).toBe('orders');
  });
  it('tells every key once where it works, and those that work everywhere everywhere', () => {
    const own = HELP.flatMap((h) => keysOf(h.id).filter((k) => k.at));
    expect([...own].sort()).toEqual(KEYS.filter((k) => k.at).sort());
    for (const h of HELP) expect(keysOf(h.id).map((k) => k.keys)).toContain('?');
  });
  it('is found by its words, titles first', () => {
    expect(findHelp('bench')[0]?.id).toBe('job');
    expect(findHelp('mail server').map((h) => h.id)).toContain('house');
    expect(findHelp('TOILE sheet').map((h) => h.id)).toEqual(['sheet']);
    expect(findHelp('xylophone')).toEqual([]);
    expect(findHelp('  ')).toEqual([]);
  });
});

import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { type Point, pointAt } from '../draft/curve.ts';
import type { Panel } from '../draft/panel.ts';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, seeded } from '../garment/testing.ts';
import { trueBody } from '../garment/testing-shape.ts';
import type { Sheet } from '../sheet/compute.ts';
import { formatSentence } from '../units/print.ts';
import { alike } from './apply.ts';
import { borneBy } from './borne.ts';
import type { AlterationKind } from './kind.ts';
import { CannotAlter } from './refusal.ts';
import { ALTERATION_KINDS } from './registry.ts';
import { ask } from './testing.ts';
import { type Trial, tryAlteration } from './trial.ts';

/**
 * Every kind on every garment of the house, every way, on both sides and on one: it is made, and what is sewn together
 * agrees as before or it is said by how much not; or the garment does not bear it, and the table says why.
 */
const SHEETS: readonly (readonly [string, Sheet])[] = GARMENTS.map((g) => [
  g.id,
  sheetOf(garmentSpec(g.id, asLines(trueBody(seeded(7))))),
]);
const AMOUNT = 0.8;

/** A length walked along 300 points of each curve; darts and gathers on it taken off: no measure of the program. */
function walked(p: Panel, id: string): number {
  const e = p.edges.find((x) => x.id === id)!;
  const n = 300;
  let length = 0;
  for (const s of e.path) {
    let last: Point = pointAt(s, 0);
    for (let i = 1; i <= n; i++) {
      const at = pointAt(s, i / n);
      length += Math.hypot(at[0] - last[0], at[1] - last[1]);
      last = at;
    }
  }
  return length - e.gather - p.darts.filter((d) => d.edge === id).reduce((a, d) => a + d.intake, 0);
}
/** What is sewn to what, told by the names of panels alone. */
function pairs(panels: readonly Panel[]): Map<string, readonly [number, number]> {
  const out = new Map<string, readonly [number, number]>();
  const outer = panels.filter((p) => p.layer === 'outer' && p.share !== 'facing');
  const has = (p: Panel | undefined, id: string): p is Panel =>
    p?.edges.some((e) => e.id === id && !e.fold && e.path.length > 0) === true;
  const meet = (a: Panel | undefined, x: string, b: Panel | undefined, y: string, name: string) => {
    if (has(a, x) && has(b, y)) out.set(name, [walked(a, x), walked(b, y)]);
  };
  for (const part of new Set(outer.map((p) => p.id.split('.')[0]!))) {
    const at = (id: string) => outer.find((p) => p.id === `${part}.${id}`);
    for (const tail of ['', '-side', '-centre'])
      for (const id of ['side', 'inseam', 'shoulder'])
        meet(at(`front${tail}`), id, at(`back${tail}`), id, `${part} ${id}${tail}`);
    for (const face of ['front', 'back']) {
      meet(at(`${face}-centre`), 'princess', at(`${face}-side`), 'princess', `${part} princess ${face}`);
      meet(at(`${face}-centre`), 'outer', at(`${face}-side`), 'inner', `${part} princess ${face}`);
    }
    meet(at('gore'), 'centre', at('gore'), 'side', `${part} gores`);
    meet(at('panel'), 'centre', at('panel'), 'side', `${part} panels`);
  }
  const waist = (part: string) =>
    outer
      .filter((p) => p.id.startsWith(`${part}.`) && has(p, 'waist') && p.share !== 'band')
      .reduce((n, p) => n + walked(p, 'waist') * (p.cut === 'single' ? p.count / 2 : 1), 0);
  if (waist('bodice') > 0 && waist('skirt') > 0) out.set('waist', [waist('bodice'), waist('skirt')]);
  return out;
}

function attempt(sheet: Sheet, kind: AlterationKind, way: string, side: 'both' | 'right'): Trial | string {
  const as = kind.pinned === 'fold' ? 'pinned' : 'total';
  const asked = ask(kind.id, way, AMOUNT, { as, side, face: kind.usual ?? null });
  try {
    return tryAlteration(sheet, alike(sheet.panels), asked, false);
  } catch (error) {
    expect(error).toBeInstanceOf(CannotAlter);
    return formatSentence((error as Error).message, 'cm');
  }
}

/** What is wrong with one that was made: a sewn pair that no longer agrees and is not said. */
function untold(sheet: Sheet, t: Trial): string[] {
  const [before, after] = [pairs(sheet.panels), pairs(t.applied.right)];
  return [...after].flatMap(([name, [a, b]]) => {
    const [x, y] = before.get(name)!;
    const off = Math.abs(a - b);
    const allowed = Math.max(0.3, Math.abs(x - y)) + 0.06;
    return off > allowed && !t.effect.says.some((s) => s.includes('more apart than before')) ? [name] : [];
  });
}

const WORKS = ALTERATION_KINDS.filter((k) => k.moves.length > 0);
const results = WORKS.map((kind) => ({
  kind,
  rows: SHEETS.flatMap(([id, sheet]) =>
    kind.directions.flatMap((d) =>
      (['both', 'right'] as const).map((side) => ({
        id,
        sheet,
        what: `${kind.id} ${d.id}, ${side}, on the ${id}`,
        got: attempt(sheet, kind, d.id, side),
      })),
    ),
  ),
}));

describe('every kind × every garment × way × side', () => {
  it('made, every sewn pair agrees as before, or it is said by how much not', () => {
    const wrong = results.flatMap(({ rows }) =>
      rows.flatMap((r) =>
        typeof r.got === 'string' ? [] : untold(r.sheet, r.got).map((u) => `${r.what}: ${u}`),
      ),
    );
    expect(wrong).toEqual([]);
    expect(results.flatMap((r) => r.rows).filter((r) => typeof r.got !== 'string').length).toBeGreaterThan(
      2000,
    );
  });

  it('a band’s box says how much longer or shorter the band became, and one that stays has none', () => {
    const reach = (p: Panel) => {
      const points = p.edges.flatMap((e) => e.path.flatMap((s) => [s[0], s.at(-1)!] as Point[]));
      const along = (axis: 0 | 1) =>
        Math.max(...points.map((q) => q[axis])) - Math.min(...points.map((q) => q[axis]));
      return Math.max(along(0), along(1));
    };
    const wrong = results.flatMap(({ rows }) =>
      rows.flatMap(({ got, sheet, what }) => {
        if (typeof got === 'string' || !what.includes(', both')) return [];
        return sheet.panels
          .filter((p) => p.share === 'band')
          .flatMap((p) => {
            const now = got.applied.right.find((q) => q.id === p.id);
            const box = got.applied.boxes.find((b) => b.panel === p.id && b.seam === 'length');
            const by = now ? reach(now) - reach(p) : 0;
            const said = box?.each ?? 0;
            return Math.abs(by - said) < 0.06
              ? []
              : [`${what}: ${p.name} ${by.toFixed(2)}, said ${said.toFixed(2)}`];
          });
      }),
    );
    expect(wrong).toEqual([]);
  });

  it('no seam is told that agrees: what is said to be apart is apart when it is walked', () => {
    const wrong = results.flatMap(({ rows }) =>
      rows.flatMap((r) => {
        if (typeof r.got === 'string') return [];
        const said = r.got.effect.says.find(
          (s) => /side seams|inside leg/.test(s) && s.includes('more apart than before'),
        );
        if (!said) return [];
        const now = pairs(r.got.applied.right);
        const off = [...now]
          .filter(([n]) => / (side|inseam)/.test(n) && !n.includes('princess'))
          .map(([, [a, b]]) => Math.abs(a - b));
        return Math.max(0, ...off) > 0.28 || r.id === 'cut-on-top' ? [] : [r.what];
      }),
    );
    expect(wrong).toEqual([]);
  });

  it('each refusal is a sentence without an id of the program, and the form says the same beforehand', () => {
    for (const { rows } of results)
      for (const r of rows)
        if (typeof r.got === 'string') {
          expect(r.got, r.what).toMatch(/^[A-Z].+[.?]$/);
          expect(r.got, r.what).not.toMatch(/[a-z]-[a-z]+\b.*“|undefined|NaN|\b[a-z]+\.[a-z]+\b/);
        }
  });

  it('what a garment bears and does not is one table, reviewed (docs/alterations.md)', async () => {
    const borne = new Map(SHEETS.map(([id, sheet]) => [id, borneBy(sheet, alike(sheet.panels))]));
    const lines = ALTERATION_KINDS.map((kind) => {
      const not = new Map<string, string[]>();
      const made: string[] = [];
      for (const [id, list] of borne) {
        const why = list.find((b) => b.kind === kind)!.why;
        if (why === null) made.push(id);
        else not.set(formatSentence(why, 'cm'), [...(not.get(formatSentence(why, 'cm')) ?? []), id]);
      }
      const rest = [...not].map(([why, ids]) => `- ${why} (${ids.join(', ')})`);
      return `## ${kind.name}\n\n${made.length === 0 ? 'Borne by none of them.' : made.length === SHEETS.length ? 'Borne by every garment.' : `Borne by ${made.join(', ')}.`}${rest.length > 0 ? `\n\n${rest.join('\n')}` : ''}`;
    });
    await expect(
      `# What each garment bears\n\nEvery kind of alteration on the ${SHEETS.length} garments of the house, and of what one does not bear the reason. Written by \`core/alter/matrix.test.ts\`, which fails when the program answers otherwise; read line by line before it is written anew.\n\n${lines.join('\n\n')}\n`,
    ).toMatchFileSnapshot('../../docs/alterations.md');
  });
});

import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec, HALF } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { CSV_COLUMNS, type PrintedFigure, printSheet, sheetRows } from './print.ts';

/** A printed length as a number: "96.5 cm", "≈ +1⁄16 in", "34 3⁄8 in"; by hand and not by the program's own reader. */
function asNumber(printed: string): number {
  const text = printed.replace(/^≈ /, '');
  const sign = /^[−-]/.test(text) ? -1 : 1;
  const bare = text.replace(/^[+−-]/, '').replace(/ ?(cm|in)$/, '');
  return (
    sign *
    bare.split(' ').reduce((sum, piece) => {
      const [a, b] = piece.split('⁄').map(Number);
      return sum + (b === undefined ? a! : a! / b);
    }, 0)
  );
}
const KINDS = ['tape', 'wearing', 'style', 'layers', 'stretch'] as const;
const sum = (f: PrintedFigure) =>
  asNumber(f.body) + KINDS.reduce((a, k) => a + (f[k] === '' ? 0 : asNumber(f[k])), 0);
const LINED = {
  fields: {},
  garment: { lining: 'cupro', cloth: { name: 'wool', width: '150 cm', stretch: 0 } },
};

describe.each(GARMENTS.map((g) => g.id))('%s, printed', (id) => {
  const lines = asLines(randomBody(seeded(29)));
  const s = sheetOf(garmentSpec(id, lines, { ...LINED, house: { rounding: EXACT } }));
  const printed = { cm: printSheet(s, 'cm'), in: printSheet(s, 'in') };

  it('the columns of a girth add up to what stands as finished, in either unit', () => {
    let added = 0;
    for (const unit of ['cm', 'in'] as const)
      for (const f of printed[unit].figures) {
        // A girth of the body: what was read and what is added to it, nothing else.
        const terms = s.figures.find((x) => x.id === f.id)!.terms;
        if (f.section !== 'body' || f.body === '' || f.finished === '—') continue;
        if (terms.some((t) => !t.reading && !(KINDS as readonly string[]).includes(t.kind))) continue;
        added++;
        // Each of up to seven columns is printed to the tenth of a millimetre, or to the nearest sixteenth.
        const off = unit === 'cm' ? 7 * 0.0051 : 7 / 32;
        expect(Math.abs(sum(f) - asNumber(f.finished)), `${f.id} ${unit}`).toBeLessThan(off);
      }
    if (printed.cm.figures.some((f) => f.id === 'waist' && f.body !== '')) expect(added).toBeGreaterThan(1);
  });

  it('says the same length in both units', () => {
    for (const [i, f] of printed.cm.figures.entries()) {
      const other = printed.in.figures[i]!;
      expect(other.id).toBe(f.id);
      for (const k of ['finished', 'marked', 'front', 'back'] as const) {
        if (f[k] === '' || f[k] === '—' || f.tolerance === 'bought') {
          expect(other[k] === '' || other[k] === '—', `${f.id} ${k}`).toBe(f[k] === '' || f[k] === '—');
          continue;
        }
        expect(Math.abs(asNumber(other[k]) * 2.54 - asNumber(f[k])), `${f.id} ${k}`).toBeLessThan(
          2.54 / 32 + 0.0051,
        );
      }
    }
  });

  it('a file’s row holds what its figure prints, column by column, and once more in bare centimetres', () => {
    const [head, ...all] = sheetRows(printed.in, s.figures);
    const rows = all.slice(0, s.figures.length);
    expect(all.slice(rows.length).map((row) => [row[0], row[2], row.length])).toEqual(
      printed.in.unused!.map((line) => ['read, not used', line, CSV_COLUMNS.length]),
    );
    expect(head).toEqual([...CSV_COLUMNS]);
    expect(rows).toHaveLength(s.figures.length);
    const column = (row: readonly string[], name: (typeof CSV_COLUMNS)[number]) =>
      row[CSV_COLUMNS.indexOf(name)]!;
    for (const [i, row] of rows.entries()) {
      const [f, p] = [s.figures[i]!, printed.in.figures[i]!];
      expect(row).toHaveLength(CSV_COLUMNS.length);
      expect(column(row, 'figure')).toBe(f.name);
      expect(column(row, 'letter')).toBe(f.letter);
      for (const k of [...KINDS, 'body', 'finished', 'marked', 'tolerance', 'drift', 'rule', 'note'] as const)
        expect(column(row, k), `${f.id} ${k}`).toBe(p[k]);
      expect(column(row, 'front quarter')).toBe(p.front);
      expect(column(row, 'back quarter')).toBe(p.back);
      const bare = column(row, 'finished cm');
      if (f.finished === null) expect(bare).toBe('');
      else expect(Number(bare)).toBeCloseTo(f.finished, 3);
      for (const face of ['front', 'back'] as const) {
        const share = f.shares.find((x) => x.panel === face);
        const text = column(row, `${face} quarter cm`);
        if (share) expect(Number(text)).toBeCloseTo(share.rounded, 3);
        else expect(text).toBe('');
      }
    }
  });
});

it('what was set by hand prints as it was written, with the rule’s own figure beside it', () => {
  const by = { by: 'Ines', at: '', reason: 'likes it snug' };
  const s = sheetOf(
    garmentSpec('straight-skirt', ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm'], {
      house: { rounding: HALF },
      rest: { overrides: [{ figure: 'hip', target: 'wearing', value: '1 1/2 in', ...by }] },
    }),
  );
  const hip = printSheet(s, 'cm').figures.find((f) => f.id === 'hip')!;
  // 98 + 5 by the rule; 98 + 3.81 by hand.
  expect(hip.rule).toBe('103 cm');
  expect(hip.finished).toBe('101.81 cm');
  expect(hip.byHand).toEqual(['wearing ease 1 1⁄2 in by Ines: likes it snug']);
  expect(hip.mark).toContain('overridden');
  const untouched = printSheet(s, 'cm').figures.find((f) => f.id === 'waist')!;
  expect([untouched.rule, untouched.byHand]).toEqual(['', []]);
});

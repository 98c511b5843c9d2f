import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { endOf, startOf } from '../draft/curve.ts';
import { edgeLength, sewnWidthAt } from '../draft/measure.ts';
import { cutSize, sewnOutline } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { alike, applyAlteration, isMain } from './apply.ts';
import type { Asked } from './asked.ts';
import { effectOf } from './effect.ts';
import { CannotAlter } from './refusal.ts';
import { ALTERATION_KINDS } from './registry.ts';
import { alterationSentence, boxSentence } from './sentence.ts';
import { ask } from './testing.ts';
import { tryAlteration } from './trial.ts';

/** The alteration, or null where this garment has no such seam or not so much cloth; any other error is one. */
const made = (panels: readonly Panel[], asked: Asked) => {
  try {
    return applyAlteration(alike(panels), asked, false);
  } catch (error) {
    expect(error).toBeInstanceOf(CannotAlter);
    expect((error as Error).message).toMatch(/^[A-Z].+[.?]$/);
    return null;
  }
};
const gap = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]) =>
  Math.hypot(a - c, b - d);

/** What is wrong with a panel, whatever was done to it; '' for one that is whole. */
function wrongWith(p: Panel): string {
  const ring = sewnOutline(p);
  for (const [i, s] of ring.entries()) {
    if (gap(endOf(s), startOf(ring[(i + 1) % ring.length]!)) > 1e-4) return `${p.id} is not closed`;
    if (!s.every((point) => point.every(Number.isFinite))) return `${p.id} has a place that is none`;
  }
  const { width, height } = cutSize(p);
  if (!(width > 0.5 && height > 0.5)) return `${p.id} cannot be cut`;
  const short = p.edges.find((e) => e.allowance < 0);
  if (short) return `${p.id} ${short.id} has less than no allowance`;
  const lost = p.darts.find((d) => d.intake <= 0 || d.at > edgeLength(p, d.edge) + 0.05);
  return lost ? `${lost.id} lies on no edge` : '';
}

/** Blocks that were adapted: a yoke in front and behind, a pleat, a shaped sleeve end. */
const ADAPTED = [
  [
    'shirt-blouse',
    [
      { step: 'seam-back', part: 0, amount: '14 cm' },
      { step: 'sleeve-end', part: 1, amount: '2 cm' },
    ],
  ],
  [
    'day-dress-sleeved',
    [
      { step: 'seam-front', part: 0, amount: '15 cm' },
      { step: 'pleat', part: 0, amount: '6 cm' },
    ],
  ],
  ['sheath', [{ step: 'seam-back', part: 0, amount: '13 cm' }]],
] as const;

const adapted = ADAPTED.map(([id, steps]) => {
  const lines = asLines(randomBody(seeded(21)));
  return [`${id}, adapted`, sheetOf(garmentSpec(id, lines, { garment: { steps } }))] as const;
});
const sheets = GARMENTS.flatMap((g) => {
  const rnd = seeded(g.id.length * 31 + 7);
  return Array.from({ length: 2 }, () => {
    const lines = asLines(randomBody(rnd));
    return [g.id, sheetOf(garmentSpec(g.id, lines))] as const;
  });
})
  .concat(adapted)
  .filter(([, s]) => s.panels.length > 0);

describe('every kind on every garment of the house, over random bodies', () => {
  it('there are garments to try', () => expect(sheets.length).toBeGreaterThan(4));

  it.each(ALTERATION_KINDS.map((k) => [k.id, k] as const))(
    '%s leaves whole panels, and boxes for what it moved',
    (_, kind) => {
      const rnd = seeded(kind.id.length * 17 + 3);
      for (const [id, sheet] of sheets)
        for (const direction of kind.directions) {
          const amount = 0.3 + rnd() * 2.2;
          const asked = ask(kind.id, direction.id, amount, {
            side: rnd() < 0.3 ? 'left' : 'both',
            frontShare: rnd() < 0.3 ? 0.7 : null,
          });
          const a = made(sheet.panels, asked);
          if (!a) continue;
          const what = `${kind.id} ${direction.id} ${amount.toFixed(2)} on ${id}`;
          const altered = [...a.right, ...a.left].filter((p) => !sheet.panels.includes(p));
          expect(altered.map(wrongWith).filter(Boolean), what).toEqual([]);
          const changed = a.left.filter((p, i) => p !== sheet.panels[i]).map((p) => p.id);
          expect(new Set(a.boxes.map((b) => b.panel)), what).toEqual(new Set(changed));
          expect(new Set(a.boxes.map((b) => b.id)).size, what).toBe(a.boxes.length);
          expect(a.boxes.length > 0, what).toBe(kind.moves.length > 0);
          if (asked.side === 'left') expect(a.right, what).toBe(sheet.panels);
          for (const b of a.boxes) expect(boxSentence(b)).toMatch(/\S/);
          expect(alterationSentence(asked, `${amount} cm`)).toMatch(/^[A-Z].+\.$/);
        }
    },
  );

  it('what takes a girth in makes no line wider, what lets it out none narrower; the effect says the same', () => {
    for (const [id, sheet] of sheets)
      for (const kind of ALTERATION_KINDS.filter((k) => k.group === 'girth'))
        for (const direction of kind.directions) {
          const a = made(sheet.panels, ask(kind.id, direction.id, 1.2));
          if (!a) continue;
          const what = `${kind.id} ${direction.id} on ${id}`;
          a.right.filter(isMain).forEach((p) => {
            const old = sheet.panels.find((x) => x.id === p.id)!;
            for (const l of p.lines) {
              const [now, before] = [sewnWidthAt(p, l.y), sewnWidthAt(old, l.y)];
              // A line at the very underarm is not reached any more once that corner has moved: it is not measured there.
              if (now === null && before !== null && l.id === 'bust') continue;
              const off = (now ?? 0) - (before ?? 0);
              expect(off * direction.sign, `${what}: ${p.id} at ${l.id}`).toBeGreaterThan(-0.02);
            }
          });
          const e = effectOf(sheet, alike(sheet.panels), a);
          for (const m of e.moved.filter((x) => x.kind === 'girth' && !x.id.endsWith('.neck')))
            expect((m.after - m.before) * direction.sign, `${what}: ${m.name}`).toBeGreaterThan(-0.02);
          for (const x of e.ease) expect((x.after - x.before) * direction.sign, what).toBeGreaterThan(0);
        }
  });

  it('a girth that is taken in is exactly its total where it is full, on every garment', () => {
    const kind = ALTERATION_KINDS.find((k) => k.id === 'side-seams')!;
    for (const [id, sheet] of sheets) {
      const a = made(sheet.panels, ask(kind.id, kind.directions[0]!.id, 2));
      if (!a) continue;
      const e = effectOf(sheet, alike(sheet.panels), a);
      for (const m of e.moved.filter((x) => x.id.endsWith('.waist') || x.id === 'hip' || x.id === 'high-hip'))
        expect(Math.abs(m.before - m.after - 2), `${id}: ${m.name}`).toBeLessThan(0.08);
    }
  });

  it('what is drawn of a change has both outlines, and an amount at each edge that moved', () => {
    for (const [id, sheet] of sheets) {
      const sides = made(sheet.panels, ask('side-seams', 'in', 1)) !== null;
      const kind = ALTERATION_KINDS.find((k) => k.id === (sides ? 'side-seams' : 'gore-seams'))!;
      const { drawn, applied } = tryAlteration(
        sheet,
        alike(sheet.panels),
        ask(kind.id, kind.directions[0]!.id, 1),
        false,
      );
      expect(drawn.length, id).toBeGreaterThan(0);
      for (const d of drawn) {
        expect(d.before).not.toBe(d.after);
        expect(d.side).toBe('both');
        expect(d.amounts.length, `${id} ${d.panel}`).toBe(
          applied.boxes.filter((b) => b.panel === d.panel).length,
        );
        for (const n of d.box) expect(Number.isFinite(n)).toBe(true);
      }
    }
  });
});

import { AskedWire, type SpecFile, toAsked } from '@rocchetto/contract';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, seeded } from '../garment/testing.ts';
import { trueBody } from '../garment/testing-shape.ts';
import type { Sheet } from '../sheet/compute.ts';
import { shownSheet } from '../sheet/kept.ts';
import { formatSentence } from '../units/print.ts';
import { alike, applyAlteration } from './apply.ts';
import { measuredBy } from './effect.ts';
import { CannotAlter } from './refusal.ts';
import { ALTERATION_KINDS } from './registry.ts';

type Asked = Readonly<Record<string, unknown>>;
const LINES = [
  'waist 68 cm',
  'hip 93 cm',
  'waist-to-hip 20 cm',
  'waist-to-knee 58 cm',
  'waist-to-floor 102 cm',
];
/** A skirt that finishes with a hip of 97 and a length of 76.5, as it was on the toile. */
const skirt = (changes: readonly Asked[], more: object = {}): Sheet =>
  sheetOf(
    garmentSpec([{ part: 'straight-skirt', hemOpening: 'vent', openingHeight: '18 cm' }], LINES, {
      fields: {},
      rest: {
        ...more,
        changes: changes.map((asked) => ({
          asked: { version: 2, ...asked },
          by: 'Client',
          at: '2026-03-09T10:00:00Z',
        })),
      },
    }),
  );
const at = (s: Sheet, id: string) => s.figures.find((f) => f.id === id)!;
const BY_HAND = {
  overrides: [
    {
      figure: 'hip',
      target: 'finished',
      value: '97 cm',
      reason: 'toile',
      by: 'Fitter',
      at: '2026-03-02T10:00:00Z',
    },
    ...['front', 'left', 'right', 'back'].map((x) => ({
      figure: `skirt.hem-${x}`,
      target: 'finished',
      value: x === 'back' ? '76 cm' : x === 'front' ? '76.5 cm' : '77.5 cm',
      reason: 'toile',
      by: 'Fitter',
      at: '2026-03-02T10:00:00Z',
    })),
  ],
} satisfies Partial<Record<keyof SpecFile, unknown>>;
const CHANGES = [
  { kind: 'side-seams', direction: 'in', amount: '2 cm', as: 'total' },
  { kind: 'hem-straight', direction: 'down', amount: '2 cm' },
];

describe('what was agreed on the toile is in the next revision', () => {
  it('hip −2 and length +2 on a toile of hip 97 and length 76.5: 95 and 78.5 (worked by hand)', () => {
    const [toile, next] = [skirt([], BY_HAND), skirt(CHANGES, BY_HAND)];
    expect([at(toile, 'hip').finished, at(toile, 'skirt.hem-front').finished]).toEqual([97, 76.5]);
    expect([at(next, 'hip').finished, at(next, 'skirt.hem-front').finished]).toEqual([95, 78.5]);
    // The panels, and what is cut of them, are drafted from it.
    const front = (s: Sheet) => s.panels.find((p) => p.id === 'skirt.front')!;
    const width = (s: Sheet) => sewnWidthAt(front(s), front(s).lines.find((l) => l.id === 'hip')!.y)!;
    expect(width(next) - width(toile)).toBeCloseTo(-0.5, 2);
    expect(sewnLength(front(next), 'centre') - sewnLength(front(toile), 'centre')).toBeCloseTo(2, 2);
    const piece = (s: Sheet) => s.pieces.find((p) => p.panel === 'skirt.front')!;
    expect(piece(next).length! - piece(toile).length!).toBeCloseTo(2, 1);
    // Paper, CSV and JSON are one value: it stands there by name, with the alteration as the why.
    const { printed } = shownSheet(next);
    expect(JSON.stringify(printed.cm)).toContain('agreed at the fitting');
    const said = next.checks
      .filter((k) => k.code.startsWith('agreed-change'))
      .map((k) => formatSentence(k.sentence, 'cm'));
    expect(said[0]).toMatch(
      /In this sheet as agreed at the fitting: Side seams: take in 2 cm altogether round the garment\..*hip −2 cm/,
    );
  });

  it('without a hand on the figures it is a term of each, and the rest is drafted anew', () => {
    const [plain, next] = [skirt([]), skirt(CHANGES)];
    for (const [id, by] of [
      ['hip', -2],
      ['waist', -2],
      ['skirt.hem-front', 2],
      ['skirt.hem-left', 2],
      ['skirt.hem-back', 2],
    ] as const)
      expect(at(next, id).finished! - at(plain, id).finished!, id).toBeCloseTo(by, 6);
    expect(at(next, 'skirt.band-length').finished! - at(plain, 'skirt.band-length').finished!).toBeCloseTo(
      -2,
      6,
    );
    const why = at(next, 'hip').terms.find((t) => t.label === 'agreed at the fitting')!;
    expect(why).toMatchObject({ kind: 'style', cm: -2 });
    expect(why.because).toContain('Client agreed: Side seams: take in 2 cm');
  });

  it('what a panel is mounted on is altered with it', () => {
    const mounted = { garment: { cloth: { name: 'lace', underlining: 'organza' } } };
    const underlined = (changes: readonly Asked[]) =>
      sheetOf(
        garmentSpec([{ part: 'straight-skirt' }], LINES, {
          ...mounted,
          rest: {
            changes: changes.map((asked) => ({
              asked: { version: 2, ...asked },
              by: 'Client',
              at: '2026-03-09T10:00:00Z',
            })),
          },
        }),
      );
    const [was, is] = [underlined([]), underlined(CHANGES)];
    const edges = (s: Sheet, id: string) => s.panels.find((p) => p.id === id)!.edges.map((e) => e.path);
    for (const id of ['skirt.front', 'skirt.back']) {
      expect(edges(is, id)).not.toEqual(edges(was, id));
      expect(edges(is, `${id}-underlining`)).toEqual(edges(is, id));
    }
    const applied = applyAlteration(
      alike(was.panels),
      toAsked(AskedWire.parse({ version: 2, ...CHANGES[0] })),
      false,
    );
    expect(applied.boxes.map((b) => b.piece)).toContain('front underlining');
  });

  it('a figure set by hand after the fitting stays as the hand set it', () => {
    const later = { overrides: BY_HAND.overrides.map((o) => ({ ...o, at: '2026-03-10T08:00:00Z' })) };
    expect(at(skirt(CHANGES, later), 'hip').finished).toBe(97);
  });

  it('a hem marked 2 longer at the left side is longer there alone, at the hem; on one half as a whole it is told', () => {
    const marks = { front: '0 cm', left: '2 cm', right: '0 cm', back: '0 cm' };
    const [plain, s] = [skirt([]), skirt([{ kind: 'hem-uneven', direction: 'down', hem: marks }])];
    const front = (panels: Sheet['panels']) => panels.find((p) => p.id === 'skirt.front')!;
    const side = (panels: Sheet['panels']) => sewnLength(front(panels), 'side');
    const centre = (panels: Sheet['panels']) => sewnLength(front(panels), 'centre');
    expect(s.checks.find((x) => x.code === 'agreed-change-1')!.state).toBe('passed');
    expect(side(s.panels)).toBeCloseTo(side(plain.panels), 6);
    expect(side(s.left)).toBeCloseTo(side(plain.panels) + 2, 6);
    expect([centre(s.left), centre(s.panels)]).toEqual([centre(plain.panels), centre(plain.panels)]);
    expect(at(s, 'skirt.side-rise').finished).toBe(at(plain, 'skirt.side-rise').finished);
    const half = skirt([{ ...CHANGES[1], side: 'left' }]);
    expect(half.checks.some((k) => k.code.startsWith('sides-centre') && k.state === 'warned')).toBe(true);
  });

  it('what one side alone gets is drawn on its own panels, and what goes round both counts both', () => {
    const [plain, s] = [skirt([]), skirt([{ ...CHANGES[0], side: 'left' }])];
    const k = s.checks.find((x) => x.code === 'agreed-change-1')!;
    expect(k.state).toBe('passed');
    // 2 altogether, all of it at the two edges of one seam: 1 each.
    expect(at(s, 'hip').finished).toBeCloseTo(at(plain, 'hip').finished! - 2, 6);
    expect(at(s, 'waist').finished).toBeCloseTo(at(plain, 'waist').finished! - 2, 6);
    const front = (panels: Sheet['panels']) => panels.find((p) => p.id === 'skirt.front')!;
    const width = (panels: Sheet['panels']) =>
      sewnWidthAt(front(panels), front(panels).lines.find((l) => l.id === 'hip')!.y)!;
    expect(width(s.panels)).toBeCloseTo(width(plain.panels), 6);
    expect(width(s.left)).toBeCloseTo(width(plain.panels) - 1, 6);
    // One band for both halves: less by what the one half lost.
    const band = (x: Sheet) => sewnLength(x.panels.find((p) => p.id === 'skirt.band')!, 'waist');
    expect(band(s)).toBeCloseTo(band(plain) - 2, 6);
    expect(s.left.find((p) => p.id === 'skirt.band')).toBe(s.panels.find((p) => p.id === 'skirt.band'));
    // Each quarter is told with its side, and they add up to the whole.
    expect(at(s, 'hip').shares.map((x) => [x.panel, x.times])).toEqual([
      ['right front', 1],
      ['left front', 1],
      ['right back', 1],
      ['left back', 1],
    ]);
    for (const x of at(s, 'hip').shares)
      expect(
        x.terms.reduce((n, t) => n + t.cm, 0),
        x.panel,
      ).toBeCloseTo(x.exact, 6);
    expect(s.checks.some((c) => c.code === 'drift-hip' && c.state === 'warned')).toBe(false);
    expect(
      s.pieces.filter((p) => p.panel.startsWith('skirt.back')).map((p) => [p.name, p.count]),
    ).toContainEqual(['back, left', 1]);
  });
});

/** Every garment of the house, with each change that it bears taken into its sheet. */
describe('every kind that a garment bears goes into its sheet', () => {
  const rows = GARMENTS.map((g) => {
    const lines = asLines(trueBody(seeded(7)));
    return [g.id, lines, sheetOf(garmentSpec(g.id, lines, { house: { rounding: EXACT } }))] as const;
  });
  it.each(rows)('%s: its panels have it, its figures say it, and nothing falls over', (id, lines, bare) => {
    for (const kind of ALTERATION_KINDS.filter((k) => k.moves.length > 0))
      for (const way of kind.directions) {
        const asked = {
          version: 2,
          kind: kind.id,
          direction: way.id,
          amount: '0.8 cm',
          as: kind.pinned === 'fold' ? 'pinned' : 'total',
          face: kind.usual ?? null,
        };
        let made: ReturnType<typeof applyAlteration>;
        try {
          made = applyAlteration(alike(bare.panels), toAsked(AskedWire.parse(asked)), false);
        } catch (error) {
          expect(error).toBeInstanceOf(CannotAlter);
          continue;
        }
        const what = `${kind.id} ${way.id} on ${id}`;
        const next = sheetOf(
          garmentSpec(id, lines, {
            house: { rounding: EXACT },
            rest: { changes: [{ asked, by: 'Client', at: '2026-03-09T10:00:00Z' }] },
          }),
        );
        const check = next.checks.find((k) => k.code === 'agreed-change-1')!;
        expect(check.state, `${what}: ${check.sentence}`).toBe('passed');
        const [was, meant, is] = [bare.panels, made.right, next.panels].map((p) => measuredBy(alike(p)));
        // What the change moved of the girths is in the sheet too: nothing that was agreed is lost on the way.
        for (const [m, before] of was!) {
          if (!/^(bust|waist|hip|(bodice|skirt|trousers)\.(waist|underbust))$/.test(m)) continue;
          // A line that the panels no longer reach is told, and not read off beyond them.
          if (!meant!.has(m)) continue;
          const by = meant!.get(m)! - before;
          if (Math.abs(by) < 0.3) continue;
          expect(Math.abs(is!.get(m)! - before - by), `${what}: ${m} by ${by.toFixed(2)}`).toBeLessThan(0.3);
          // The skirt under a bodice answers to the bodice’s waist.
          if (m.startsWith('skirt.') && was!.has(m.replace('skirt', 'bodice'))) continue;
          const figure = at(next, m.split('.').at(-1)!);
          const old = at(bare, figure?.id ?? '');
          if (figure && old)
            expect(Math.abs(figure.finished! - old.finished! - by), `${what}: figure ${m}`).toBeLessThan(
              0.35,
            );
        }
        expect(() => shownSheet(next).printed.cm, what).not.toThrow();
      }
  });
});

describe('a change in what lies above a seam across', () => {
  const BODY = asLines(trueBody(seeded(7)));
  const made = (garment: string, steps: readonly object[], changes: readonly Asked[]) =>
    sheetOf(
      garmentSpec(garment, BODY, {
        garment: { steps },
        house: { rounding: EXACT },
        rest: {
          changes: changes.map((asked) => ({
            asked: { version: 2, ...asked },
            by: 'Client',
            at: '2026-03-09T10:00:00Z',
          })),
        },
      }),
    );
  const changes = {
    lower: { kind: 'neckline-lower', direction: 'lower', amount: '1.5 cm' },
    wider: { kind: 'neckline-widen', direction: 'wider', amount: '1 cm' },
  };
  it.each([
    ['bodice', 'lower', { step: 'seam-back', part: 0, amount: '12 cm' }],
    ['bodice', 'wider', { step: 'seam-front', part: 0, amount: '12 cm' }],
    ['sheath', 'wider', { step: 'seam-front', part: 0, amount: '20 cm' }],
    ['princess-dress', 'wider', { step: 'seam-front', part: 0, amount: '14 cm' }],
  ] as const)('moves every figure of the %s (%s) as it does without the seam', (garment, change, seam) => {
    const moved = (steps: readonly object[]) => {
      const was = made(garment, steps, []);
      return made(garment, steps, [changes[change]]).figures.flatMap((f) => {
        const by = (f.finished ?? 0) - (at(was, f.id)?.finished ?? 0);
        return Math.abs(by) > 0.02 ? [[f.id, Number(by.toFixed(1))]] : [];
      });
    };
    expect(made(garment, [seam], []).panels.some((p) => p.id.includes('-yoke'))).toBe(true);
    expect(moved([]).length).toBeGreaterThan(0);
    expect(moved([seam])).toEqual(moved([]));
  });
});

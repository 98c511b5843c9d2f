import type { Figure, Mark, Share, TermKind } from '../../figure/figure.ts';
import type { SheetUnit } from '../../units/length.ts';
import type { Drawn } from '../drawing.ts';
import type { Kept } from '../kept.ts';
import type { PrintedSheet } from '../print.ts';
import { drawV1 } from './draw-v1.ts';
import { checkCodeV1, figureIdV1 } from './ids-v1.ts';
import { printV1 } from './print-v1.ts';
import type { FigureV1, ShareV1, SheetV1 } from './sheet-v1.ts';

export type { SheetV1 } from './sheet-v1.ts';

/** A sheet kept in version 1, brought forward: printed and drawn as its own day did, its figures as they are compared now. */
export function keepV1(sheet: SheetV1): Kept {
  const printed = { cm: printedV1(sheet, 'cm'), in: printedV1(sheet, 'in') };
  const drawn = drawnV1(sheet);
  return {
    version: 2,
    figures: sheet.figures.map(figureV1),
    checks: sheet.checks.map((k) => ({
      ...k,
      code: checkCodeV1(k.code),
      figure: k.figure && figureIdV1(k.figure),
    })),
    rounding: sheet.input.house.rounding,
    printed,
    drawn: { cm: drawn, in: drawn },
  };
}

const shareV1 = (panel: string, s: ShareV1): Share => ({
  panel,
  times: 2,
  exact: s.exact,
  rounded: s.rounded,
  terms: s.terms.map((t) => ({ ...t, kind: t.kind as TermKind })),
  note: '',
});

function figureV1(f: FigureV1): Figure {
  const { front, back, ...rest } = f;
  return {
    ...rest,
    id: figureIdV1(f.id),
    section: 'sheet',
    terms: f.terms.map((t) => ({
      ...t,
      kind: t.kind as TermKind,
      ...(t.label === 'reading' ? { reading: true } : {}),
    })),
    shares: [...(front ? [shareV1('front', front)] : []), ...(back ? [shareV1('back', back)] : [])],
    marks: f.marks as readonly Mark[],
    settable: [],
    bought: null,
  };
}

function printedV1(sheet: SheetV1, unit: SheetUnit): PrintedSheet {
  const p = printV1(sheet, unit);
  return {
    ...p,
    sections: [{ id: 'sheet', name: '' }],
    pieces: p.pieces.map((piece) => ({ panel: piece.piece, ...piece })),
    figures: p.figures.map((f, i) => {
      const read = sheet.figures[i]!.terms[0]?.label === 'reading';
      const [first = '', ...others] = f.why;
      const amount = /^.*? reading\./.exec(first)?.[0] ?? '';
      return {
        ...f,
        id: figureIdV1(f.id),
        section: 'sheet',
        shares: (['front', 'back'] as const).flatMap((panel) =>
          f[panel] ? [{ panel, text: f[panel] }] : [],
        ),
        panels: '',
        byHand: [],
        reading: read ? { amount, words: first.slice(amount.length).trim() } : null,
        why: read ? others : f.why,
      };
    }),
  };
}

const drawnV1 = (sheet: SheetV1): Drawn => ({
  views: drawV1(sheet).map((v) => ({
    ...v,
    strokes: v.strokes.map((s) => ({ ...s, figure: s.figure && figureIdV1(s.figure) })),
    callouts: v.callouts.map((c) => ({ ...c, figure: figureIdV1(c.figure), text: '' })),
    letters: 5,
    words: [],
  })),
  panels: null,
});

import { cutSize, sewnSize } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import type { Piece } from '../figure/figure.ts';
import { say } from '../units/print.ts';
import { type Rounding, roundLength } from '../units/rounding.ts';

const CUT = { fold: 'on the fold', pair: 'a pair', single: 'single' } as const;

/** A panel as a line of the cut list: its box with allowances, rounded up to the step a hand marks. */
export function pieceOf(panel: Panel, rounding: Rounding): Piece {
  const [bare, cut] = [sewnSize(panel), cutSize(panel)];
  const up = (length: number) => roundLength(length as typeof bare.width, { ...rounding, mode: 'up' });
  return {
    panel: panel.id,
    name: panel.name,
    layer: panel.layer,
    count: panel.count,
    folded: panel.cut === 'fold',
    cut: CUT[panel.cut],
    grain: panel.grain,
    ...(panel.sideways ? { sideways: true } : {}),
    width: up(cut.width),
    length: up(cut.height),
    why: `The panel is ${say(bare.width)} by ${say(bare.height)} at its widest and longest; with its allowances ${say(cut.width)} by ${say(cut.height)}, up to the next step.`,
    note: panel.note,
  };
}

/** Panels as lines of the cut list. */
export const piecesOf = (panels: readonly Panel[], rounding: Rounding): Piece[] =>
  panels.map((p) => pieceOf(p, rounding));

/** A piece whose panel could not be drafted yet. */
export const openPiece = (name: string, panel: string): Piece => ({
  panel,
  name,
  layer: 'outer',
  count: 1,
  folded: false,
  cut: '—',
  grain: '—',
  width: null,
  length: null,
  why: 'Not known until what it needs is measured.',
  note: '',
});

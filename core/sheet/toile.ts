import { edgeLength } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import type { Piece } from '../figure/figure.ts';
import { bought, lengthNeeded } from '../garment/cloth.ts';
import { pieceOf } from '../garment/pieces.ts';
import { bySide } from '../garment/two-sides.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Sheet } from './compute.ts';

/** Allowance of every seam of a toile, and the width its cloth is sold in, cm (house figures, no source). */
const ALLOWANCE = cm(2.5);
const CALICO_WIDTH = cm(150);
/** What a toile does without: what finishes an edge. */
const LEFT_OUT = new Set(['facing', 'band', 'fly']);

/** A toile of the same garment: its own shorter cut list, and what it is for. */
export interface Toile {
  readonly pieces: readonly Piece[];
  /** the length of calico to buy for them, cm; null where one is wider than the cloth */
  readonly calico: Cm | null;
  readonly width: Cm;
  readonly notes: readonly string[];
}

/**
 * What is cut for the toile: where a face has a lining panel that stands for the outer one, otherwise the outer one, with
 * wide seams all round; nothing that only finishes an edge.
 */
export function toileOf(sheet: Sheet): Toile {
  const { rounding } = sheet.input.house;
  const pieces = toilePanels(bySide({ right: sheet.panels, left: sheet.left })).map(
    (p): Piece => ({ ...pieceOf(p, rounding), note: '' }),
  );
  const needed = pieces.length === 0 ? null : lengthNeeded(pieces, CALICO_WIDTH);
  const opens = sheet.figures.find((f) => f.id === 'zip');
  const zip = opens?.bought ? opens.finished : null;
  const shaped = (id: string) => sheet.panels.some((p) => p.edges.some((e) => e.id === id));
  const banded = sheet.panels.some((p) => p.share === 'band' && p.edges.some((e) => e.id === 'waist'));
  return {
    pieces,
    width: CALICO_WIDTH,
    calico: needed === null ? null : bought(needed, rounding.unit),
    notes: [
      `Seams ${say(ALLOWANCE)} all round, hems too: there is cloth to let out at the fitting.`,
      'Draw grain, centre and every body line on the cloth before it is sewn; thread the darts, do not snip notches.',
      ...(shaped('neck') || shaped('top')
        ? ['Stay-stitch the neckline or upper edge and press its seam in: there is no facing.']
        : []),
      ...(shaped('waist')
        ? [`Stay-stitch the waist and press its seam in${banded ? '; a tape stands for the band' : ''}.`]
        : []),
      ...(zip === null
        ? []
        : [
            `A zip at least ${say(zip)} long, sewn on the surface: it must pass the hip as the garment's does.`,
          ]),
      ...(opens && !opens.bought ? ['It is pinned shut along its opening, edge on edge.'] : []),
      ...(sheet.notions.some((n) => n.is === 'bone')
        ? ['Tape the bones to the seams on the outside, so that they can be moved.']
        : []),
    ],
  };
}

/** The panels that a toile is cut from, of calico, with wide seams. */
export const toilePanels = <P extends Panel>(all: readonly P[]): P[] =>
  all.filter((p) => p.layer === 'outer' && !LEFT_OUT.has(p.share)).map((p) => wide(standsFor(p, all)));

/**
 * The lining panel of the same face, where there is one of the same shape: fewer details. One that ends at its facings does
 * not stand for the cloth over it: the toile would end there too.
 */
function standsFor<P extends Panel>(outer: P, all: readonly P[]): P {
  const own = all.filter((p) => p.layer === 'lining');
  const [, id, side] = /^(.*?)(-left)?$/.exec(outer.id)!;
  const stands = [`${id}-lining${side ?? ''}`, outer.id.replace('.', '.lining-')];
  const lining = own.find((p) => stands.includes(p.id));
  return lining && ENDS.every((e) => alikeAt(e, outer, lining)) ? lining : outer;
}
/** Edges at which a lining may end sooner than its cloth, and by how much they may differ, cm. */
const ENDS = ['neck', 'armhole'];
const alikeAt = (edge: string, a: Panel, b: Panel): boolean => {
  const [one, two] = [a, b].map((p) => (p.edges.some((e) => e.id === edge) ? edgeLength(p, edge) : 0));
  return Math.abs(one! - two!) < 0.3;
};

const wide = <P extends Panel>(p: P): P => ({
  ...p,
  layer: 'outer',
  // A lining is seen from inside, the toile that is cut by it from outside.
  ...(p.layer === 'lining' && p.up !== undefined ? { up: !p.up } : {}),
  name: p.name.replace(/,? lining(?=,|$)/, ''),
  edges: p.edges.map((e) => (e.fold ? e : { ...e, allowance: ALLOWANCE })),
});

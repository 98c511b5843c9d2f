import type { Panel } from '../draft/panel.ts';
import { perHalf } from '../garment/seams.ts';
import { type Cm, cm } from '../units/length.ts';
import type { Asked } from './asked.ts';

export type Half = 'left' | 'right';

/** What one piece of cloth gets: a box that must be ticked, or struck with a reason, before the work is done. */
export interface Box {
  /** panel, seam and side: the same alteration always gives the same ids */
  readonly id: string;
  readonly panel: string;
  readonly piece: string;
  readonly layer: Panel['layer'];
  readonly seam: string;
  readonly side: Asked['side'];
  /** how many edges of cloth, or darts */
  readonly edges: number;
  /** at its most on each of them, cm: + added, − taken; null where the work has no measure */
  readonly each: Cm | null;
  /** true where the same amount runs all along */
  readonly even: boolean;
}

/** An alteration while it is made on one half. */
export interface Making {
  readonly asked: Asked;
  readonly which: Half;
  /** the cloth is cut: what is let out comes from the allowances */
  readonly cut: boolean;
  /** the half before the first of its moves */
  readonly start: readonly Panel[];
  readonly boxes: Map<string, Box>;
}

/** Notes what a piece gets, once for both halves where they get the same. Lengths cm. */
export function noteBox(
  m: Making,
  p: Panel,
  seam: string,
  each: number | null,
  steady: boolean,
  edges?: number,
  times = 1,
): void {
  const marks = m.asked.legs ?? m.asked.hem;
  const differs = marks && marksDiffer(m.asked);
  const told = marks ? (differs || m.asked.side !== 'both' ? m.which : 'both') : m.asked.side;
  const id = `${p.id}/${seam}/${told}`;
  const known = m.boxes.get(id);
  const count = edges ?? Math.max(1, Math.round(perHalf(p) * times * (told === 'both' ? 2 : 1)));
  if (known) {
    // A seam that a panel bears twice: the second edge of it is one more.
    if (m.asked.side === 'both' && m.which === 'left') return;
    if (known.each !== null && each !== null && Math.abs(known.each - each) < 1e-9 && known.even === steady)
      m.boxes.set(id, { ...known, edges: known.edges + count });
    return;
  }
  m.boxes.set(id, {
    id,
    panel: p.id,
    piece: p.name,
    layer: p.layer,
    seam,
    side: told,
    edges: count,
    each: each === null ? null : cm(each),
    even: steady,
  });
}
/** Notes what one of several pieces that are cut alike gets; a piece has no left and right of its own. Lengths cm. */
export function noteGore(
  m: Making,
  p: Panel,
  { piece, seam, each }: Pick<Box, 'piece' | 'seam'> & { readonly each: Cm },
): void {
  const id = `${p.id}/${piece}`;
  if (!m.boxes.has(id))
    m.boxes.set(id, {
      id,
      panel: p.id,
      piece,
      layer: p.layer,
      seam,
      side: 'both',
      edges: 1,
      each,
      even: false,
    });
}
/** Whether the marks of left and right are not the same. */
export const marksDiffer = ({ hem, legs }: Asked): boolean =>
  legs
    ? (['front', 'inside', 'back', 'outside'] as const).some(
        (k) => Math.abs(legs.left[k] - legs.right[k]) > 1e-9,
      )
    : hem !== null && Math.abs(hem.left - hem.right) > 1e-9;

import type { PrintedSheet } from './print.ts';

/** Pieces that lie together after the cut: those of one part in one layer. */
export interface Bundle {
  /** the part's name, as its section is headed */
  readonly part: string;
  readonly layer: string;
  /** pieces of cloth in all */
  readonly count: number;
  readonly pieces: PrintedSheet['pieces'];
}

/** The layer a piece belongs to, with the cloth where it is not the garment’s first. */
export const ofCloth = ({ layer, cloth }: { readonly layer: string; readonly cloth?: string }): string =>
  cloth ? `${layer}, ${cloth}` : layer;

/** The bundles of a sheet, in the order of its cut list. */
export function bundlesOf(printed: PrintedSheet): Bundle[] {
  const found = new Map<string, { part: string; layer: string; pieces: PrintedSheet['pieces'][number][] }>();
  for (const piece of printed.pieces) {
    const key = piece.panel.split('.')[0]!;
    const part = printed.sections.find((s) => s.id === key)?.name ?? key;
    const layer = ofCloth(piece);
    const own = found.get(`${key}/${layer}`) ?? { part, layer, pieces: [] };
    own.pieces.push(piece);
    found.set(`${key}/${layer}`, own);
  }
  return [...found.values()].map((b) => ({
    ...b,
    count: b.pieces.reduce((sum, p) => sum + (Number.parseInt(p.cut, 10) || 0), 0),
  }));
}

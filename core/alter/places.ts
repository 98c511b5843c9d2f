import { type Edge, edgeOf, type Panel } from '../draft/panel.ts';
import { isMain, kindOf, perHalf, type SeamEdge, seamEdges } from '../garment/seams.ts';
import type { Asked, Shared } from './asked.ts';
import type { Move } from './kind.ts';

/** One edge of a panel that an alteration moves: what it is to its seam, and whether it makes the garment’s girth. */
export interface SeamPlace {
  readonly seam: SeamEdge;
  readonly panel: Panel;
  readonly edge: Edge;
  readonly main: boolean;
}

type EdgeMove = Extract<Move, { do: 'edge' }>;

/** The face that is asked for: what the move itself says, else what was chosen. */
export const faceAsked = (move: Move, asked: Asked) =>
  ('face' in move ? move.face : undefined) ?? asked.face ?? null;

/** Every edge, of every layer, that a move acts on: in each part that is asked for the first seam that it bears. */
export function placesOf(panels: readonly Panel[], move: EdgeMove, asked: Asked): SeamPlace[] {
  const face = faceAsked(move, asked);
  const byId = new Map(panels.map((p) => [p.id, p]));
  const all = seamEdges(panels)
    .filter((s) => asked.part === null || s.part === asked.part)
    // A seam that goes round the body belongs to neither face.
    .filter((s) => face === null || s.face === null || s.face === face)
    .map((seam): SeamPlace => {
      const panel = byId.get(seam.panel)!;
      return { seam, panel, edge: edgeOf(panel, seam.edge), main: isMain(panel) || isOwn(panel) };
    })
    .filter(
      ({ panel }) =>
        !move.beside ||
        panel.edges.some((e) => {
          const k = kindOf(panel, e);
          return k !== null && move.beside!.includes(k);
        }),
    );
  // The lower edge of a bodice that is worn alone is its hem.
  const hem = move.seam[0] === 'hem';
  const is = (p: SeamPlace, k: string) =>
    p.seam.kind === k || (hem && k === 'hem' && p.seam.kind === 'waist' && p.edge.turned === true);
  const parts = new Set(all.map((p) => p.seam.part));
  return [...parts].flatMap((part) => {
    const own = all.filter((p) => p.seam.part === part);
    const kind = move.seam.find((k) => own.some((p) => p.main && is(p, k)));
    return kind === undefined ? [] : own.filter((p) => is(p, kind));
  });
}
/** Collars and cuffs make no girth, and are altered for themselves. */
export const isOwn = (p: Panel) => p.layer === 'outer' && (p.share === 'collar' || p.share === 'cuff');

/** The edges among which a girth’s amount is shared with this one, counted on one half. */
export function sharedWith(one: SeamPlace, all: readonly SeamPlace[]): Shared {
  const same = all.filter(
    (p) =>
      p.main &&
      p.seam.part === one.seam.part &&
      p.seam.kind === one.seam.kind &&
      p.panel.ring === one.panel.ring,
  );
  const count = (list: readonly SeamPlace[]) => list.reduce((n, p) => n + perHalf(p.panel), 0);
  return {
    front: count(same.filter((p) => p.seam.face !== 'back')),
    back: count(same.filter((p) => p.seam.face === 'back')),
  };
}

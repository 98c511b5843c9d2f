import { areaD, FillRule, intersectD, type PathD } from 'clipper2-ts';
import type { Point } from '../draft/curve.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { ClothInHand } from './cloth.ts';
import type { LaidPiece, LaidStrip, Lay, Stage } from './lay.ts';
import { asLaid, type LayPiece } from './pieces.ts';
import { heightOf, widthOf } from './ways.ts';

/** Pieces may lie over each other by this and no more: less than the width of a chalk line along a hand’s breadth, cm². */
export const MOST_OVER = 0.02;
/** A fold, a repeat and the cloth’s edges are met within this, cm. */
const NEAR = 0.01;
const REPEAT_NEAR = 0.1;

/** A piece’s outline where it lies, from the strip’s left and the stage’s beginning, cm. */
export function outlineOf(p: LayPiece, l: LaidPiece): Point[] {
  return asLaid(l.half ? p.half! : p.whole, l.turn, l.mirrored).map(([x, y]): Point => [x + l.x, y + l.y]);
}

const path = (points: readonly Point[]): PathD => points.map(([x, y]) => ({ x, y }));
/** How much two outlines have in common, cm². */
export const overlap = (a: readonly Point[], b: readonly Point[]): number =>
  intersectD([path(a)], [path(b)], FillRule.NonZero, 5).reduce((sum, p) => sum + Math.abs(areaD(p)), 0);

const box = (o: readonly Point[]): [number, number, number, number] => [
  Math.min(...o.map(([x]) => x)),
  Math.min(...o.map(([, y]) => y)),
  Math.max(...o.map(([x]) => x)),
  Math.max(...o.map(([, y]) => y)),
];

/** A strip with its outlines, so that one piece that is moved is held against the others at once. */
export interface Outlined {
  readonly laid: LaidPiece;
  readonly outline: readonly Point[];
  readonly box: readonly [number, number, number, number];
}
/** A piece where it lies: its outline on the cloth and the box around that, cm. */
export const outlined = (laid: LaidPiece, piece: LayPiece): Outlined => {
  const outline = outlineOf(piece, laid);
  return { laid, outline, box: box(outline) };
};

/** Why a piece may not be cut where it lies, in words; none where it may. */
export function whyNot(
  own: Outlined,
  others: readonly Outlined[],
  strip: Pick<LaidStrip, 'width' | 'double' | 'folds'>,
  pieces: ReadonlyMap<string, LayPiece>,
  cloth: ClothInHand,
): string[] {
  const { laid, outline } = own;
  const p = pieces.get(laid.piece)!;
  const [x0, y0, x1, y1] = own.box;
  const out: string[] = [];
  if (x0 < -NEAR || x1 > strip.width + NEAR) out.push('it lies over the edge of the cloth');
  if (y0 < -NEAR) out.push('it lies beyond the cut end');
  const middle = strip.folds.length === 2 ? cloth.width / 4 : null;
  if (middle !== null && x0 < middle + cloth.selvedge - NEAR && x1 > middle - cloth.selvedge + NEAR)
    out.push('it lies over the selvedges, which meet in the middle');
  if (laid.half && !strip.folds.some((f) => Math.abs(f === 'left' ? x0 : x1 - strip.width) <= NEAR))
    out.push('its fold does not lie on the fold of the cloth');
  if (laid.turn % 180 !== 0 ? cloth.oneWay : cloth.oneWay && laid.turn === 180)
    out.push('this cloth goes one way only, and it lies the other way up');
  if (
    !strip.double &&
    !cloth.bothSides &&
    !p.strip &&
    p.cut === 'single' &&
    laid.mirrored !== (p.up === false)
  )
    out.push('it would be cut for the other side of the cloth');
  const line =
    cloth.repeat && laid.turn % 180 === 0 ? p.lines.find((l) => l.id === cloth.repeat!.line) : null;
  if (line) {
    const at = laid.turn === 180 ? y1 - line.y : y0 + line.y;
    const off = Math.abs(at - Math.round(at / cloth.repeat!.along) * cloth.repeat!.along);
    if (off > REPEAT_NEAR) out.push(`its ${line.name} is ${say(cm(off))} off the repeat`);
  }
  for (const o of others) {
    if (o.laid.id === laid.id) continue;
    if (x0 >= o.box[2] - NEAR || o.box[0] >= x1 - NEAR || y0 >= o.box[3] - NEAR || o.box[1] >= y1 - NEAR)
      continue;
    if (overlap(outline, o.outline) > MOST_OVER) out.push(`it lies over ${pieces.get(o.laid.piece)!.name}`);
  }
  if (!strip.double)
    for (const f of cloth.flaws) {
      const [x, y] = [f.across - cloth.selvedge, f.along];
      const hole: Point[] = [
        [x, y],
        [x + f.width, y],
        [x + f.width, y + f.length],
        [x, y + f.length],
      ];
      if (overlap(outline, hole) > MOST_OVER) out.push('it lies over a flaw');
    }
  return out;
}

/**
 * Whether the strips of a stage are what this cloth gives: open between its selvedges; folded once, or on both sides; or
 * folded over with one layer beside it.
 */
export function isAsFolded(strips: readonly Omit<LaidStrip, 'pieces'>[], cloth: ClothInHand): boolean {
  const { width: wide, selvedge } = cloth;
  const [a, b] = strips;
  if (a?.across !== 0) return false;
  if (!b) {
    if (!a.double) return a.folds.length === 0 && a.width <= wide - 2 * selvedge + NEAR;
    if (a.folds.length === 2) return a.width <= wide / 2 + NEAR;
    return a.folds[0] === 'left' && a.width <= wide / 2 - selvedge + NEAR;
  }
  return (
    a.double &&
    a.folds.length === 1 &&
    a.folds[0] === 'left' &&
    !b.double &&
    b.folds.length === 0 &&
    b.across >= a.width + selvedge - NEAR &&
    b.width <= wide - 2 * b.across - selvedge + NEAR
  );
}

/** Everything that stands in the way of cutting a lay, by piece; empty where it can be cut. */
export function standsInTheWay(
  lay: Lay,
  pieces: readonly LayPiece[],
  cloth: ClothInHand,
): Map<string, string[]> {
  const by = new Map(pieces.map((p) => [p.id, p]));
  const out = new Map<string, string[]>();
  const note = (id: string, why: readonly string[]) => {
    if (why.length > 0) out.set(id, [...(out.get(id) ?? []), ...why]);
  };
  const cut = new Map<string, boolean[]>();
  for (const stage of lay.stages)
    if (!isAsFolded(stage.strips, cloth))
      for (const l of stage.strips.flatMap((x) => x.pieces))
        note(l.id, ['it was laid on cloth of another width; lay the pieces again']);
  for (const strip of lay.stages.flatMap((s) => s.strips)) {
    if (strip.double && cloth.flaws.length > 0)
      for (const l of strip.pieces) note(l.id, ['flaws are told of cloth that lies open; lay it open']);
    const known = strip.pieces.filter((l) => {
      const p = by.get(l.piece);
      if (p && (!l.half || p.half)) return true;
      note(l.id, ['this sheet has no such piece']);
      return false;
    });
    const all = known.map((l) => outlined(l, by.get(l.piece)!));
    for (const o of all) {
      note(o.laid.id, whyNot(o, all, strip, by, cloth));
      const mirrored = cut.get(o.laid.piece) ?? [];
      // Two layers, right sides together, give one as it lies and one mirrored.
      mirrored.push(o.laid.mirrored, ...(strip.double && !o.laid.half ? [!o.laid.mirrored] : []));
      cut.set(o.laid.piece, mirrored);
    }
  }
  for (const p of pieces) {
    const sides = cut.get(p.id) ?? [];
    if (sides.length !== p.count) note(p.id, [`${p.name}: ${sides.length} of ${p.count} lie on the cloth`]);
    else if (p.cut === 'pair' && !cloth.bothSides && sides.filter(Boolean).length !== Math.floor(p.count / 2))
      note(p.id, [`${p.name}: a pair is one and one mirrored`]);
  }
  return out;
}

/** A lay whose stages are as long as what lies in them, one after another. */
export function closedUp(lay: Lay, pieces: readonly LayPiece[]): Lay {
  const by = new Map(pieces.map((p) => [p.id, p]));
  let from = 0;
  const stages = lay.stages.map((s): Stage => {
    const length = Math.max(
      0,
      ...s.strips.flatMap((strip) =>
        strip.pieces.map((l) => {
          const p = by.get(l.piece);
          if (!p) return 0;
          const ring = l.half ? p.half! : p.whole;
          return l.y + (l.turn % 180 === 0 ? heightOf(ring) : widthOf(ring));
        }),
      ),
    );
    const stage = { ...s, from, length };
    from += length;
    return stage;
  });
  return { ...lay, stages, length: from };
}

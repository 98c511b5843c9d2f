import polygonClipping, { type Polygon } from 'polygon-clipping';
import type { ClothInHand } from './cloth.ts';
import type { LaidPiece, LaidStrip, Lay } from './lay.ts';
import type { LayPiece } from './pieces.ts';

/** Pieces may lie over each other by this and no more: what the arithmetic of outlines leaves, cm². */
const OVER = 0.02;
const NEAR = 0.01;

/** An outline where it lies, worked out from the paper by a matrix of its own; polygon-clipping compares them. */
function outline(p: LayPiece, l: LaidPiece): [number, number][] {
  const ring = l.half ? p.half! : p.whole;
  const [s, c] = [Math.sin((l.turn * Math.PI) / 180), Math.cos((l.turn * Math.PI) / 180)];
  const m = l.mirrored ? -1 : 1;
  const flat = ring.map(([x, y]): [number, number] => [c * m * x - s * y, s * m * x + c * y]);
  const [x0, y0] = [Math.min(...flat.map((q) => q[0])), Math.min(...flat.map((q) => q[1]))];
  return flat.map(([x, y]) => [x - x0 + l.x, y - y0 + l.y]);
}
const area = (shape: readonly Polygon[]) =>
  shape.reduce(
    (sum, rings) =>
      sum +
      rings.reduce((a, ring, i) => {
        const own = Math.abs(
          ring.reduce((t, [x, y], k) => {
            const [u, v] = ring[(k + 1) % ring.length]!;
            return t + (x * v - u * y) / 2;
          }, 0),
        );
        return a + (i === 0 ? own : -own);
      }, 0),
    0,
  );
const box = (o: readonly (readonly [number, number])[]) => [
  Math.min(...o.map((q) => q[0])),
  Math.min(...o.map((q) => q[1])),
  Math.max(...o.map((q) => q[0])),
  Math.max(...o.map((q) => q[1])),
];

/** What is wrong with one strip. */
function stripFaults(
  strip: LaidStrip,
  length: number,
  pieces: readonly LayPiece[],
  cloth: ClothInHand,
): string[] {
  const out: string[] = [];
  const of = (l: LaidPiece) => pieces.find((p) => p.id === l.piece)!;
  const shapes = strip.pieces.map((l) => ({ l, o: outline(of(l), l) }));
  for (const { l, o } of shapes) {
    const [x0, y0, x1, y1] = box(o) as [number, number, number, number];
    if (x0 < -NEAR || x1 > strip.width + NEAR || y0 < -NEAR || y1 > length + NEAR)
      out.push(`${l.id} lies off the cloth`);
    if (l.half && !strip.folds.some((f) => Math.abs(f === 'left' ? x0 : x1 - strip.width) < NEAR))
      out.push(`${l.id}: its fold is not on a fold`);
    // Both selvedges meet a quarter of the width from either fold: what lies over them would be cut through their edge.
    if (
      strip.folds.length === 2 &&
      x0 < cloth.width / 4 + cloth.selvedge - NEAR &&
      x1 > cloth.width / 4 - cloth.selvedge + NEAR
    )
      out.push(`${l.id} lies over the selvedges in the middle`);
    if (cloth.oneWay && l.turn !== 0) out.push(`${l.id} lies the other way up`);
    const line = cloth.repeat && of(l).lines.find((q) => q.id === cloth.repeat!.line);
    if (line) {
      const y = l.turn === 180 ? y1 - line.y : y0 + line.y;
      const off =
        Math.abs(y / cloth.repeat!.along - Math.round(y / cloth.repeat!.along)) * cloth.repeat!.along;
      if (off > 0.1) out.push(`${l.id}: its ${line.name} is ${off.toFixed(2)} off the repeat`);
    }
  }
  shapes.forEach((a, i) => {
    for (const b of shapes.slice(i + 1)) {
      const [p, q] = [box(a.o), box(b.o)];
      if (p[0]! >= q[2]! || q[0]! >= p[2]! || p[1]! >= q[3]! || q[1]! >= p[3]!) continue;
      const over = area(polygonClipping.intersection([a.o], [b.o]));
      if (over > OVER) out.push(`${a.l.id} and ${b.l.id} lie over each other by ${over.toFixed(2)} cm²`);
    }
    if (!strip.double)
      for (const f of cloth.flaws) {
        const [x, y] = [f.across - cloth.selvedge, f.along];
        const hole: [number, number][] = [
          [x, y],
          [x + f.width, y],
          [x + f.width, y + f.length],
          [x, y + f.length],
        ];
        if (area(polygonClipping.intersection([a.o], [hole])) > OVER) out.push(`${a.l.id} lies over a flaw`);
      }
  });
  return out;
}

/** Everything that is wrong with a lay; empty where it can be cut. It shares no code with the search. */
export function layFaults(lay: Lay, pieces: readonly LayPiece[], cloth: ClothInHand): string[] {
  // Layers counted across: what lies double is there twice, a selvedge is nobody's.
  const tooWide = lay.stages.filter(
    (s) =>
      s.strips.reduce((sum, x) => sum + x.width * (x.double ? 2 : 1), 0) >
      cloth.width - (s.strips.some((x) => x.folds.length === 2) ? 0 : 2 * cloth.selvedge) + NEAR,
  );
  if (tooWide.length > 0) return ['the strips are wider than the cloth'];
  const out = lay.stages.flatMap((s) =>
    s.strips.flatMap((strip) => stripFaults(strip, s.length, pieces, cloth)),
  );
  for (const p of pieces) {
    const plain: boolean[] = [];
    for (const strip of lay.stages.flatMap((s) => s.strips))
      for (const l of strip.pieces.filter((x) => x.piece === p.id)) {
        plain.push(l.mirrored);
        // Two layers, right sides together, give one as it lies and one mirrored; a half on the fold gives one.
        if (strip.double && !l.half) plain.push(!l.mirrored);
      }
    if (plain.length !== p.count) out.push(`${p.id}: ${plain.length} cut, ${p.count} wanted`);
    const mirrored = plain.filter(Boolean).length;
    if (p.cut === 'pair' && !cloth.bothSides && mirrored !== Math.floor(p.count / 2))
      out.push(`${p.id}: ${mirrored} of ${p.count} mirrored`);
    if (p.cut === 'single' && !p.strip && !cloth.bothSides && mirrored !== (p.up === false ? p.count : 0))
      out.push(`${p.id}: ${mirrored} lie the wrong side up`);
  }
  return out;
}

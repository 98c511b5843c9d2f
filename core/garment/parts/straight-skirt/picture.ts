import type { Point } from '../../../draft/curve.ts';
import { sewnLength, sewnWidthAt } from '../../../draft/measure.ts';
import { linesBelow } from '../../common/from-waist/widest.ts';
import { markedLengths } from '../../common/hem-lengths.ts';
import {
  bandStroke,
  emptyView,
  gatherStrokes,
  type HalfSkirt,
  halfWidth,
  levelStroke,
  n,
  pictureOf,
  point,
  skirtOutline,
  type View,
} from '../../common/silhouette.ts';
import type { PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';
import type { SkirtDraft } from './draft.ts';
import type { SkirtValues } from './fields.ts';

/** The skirt as it hangs, from the front and from behind, made from its panels. */
export function skirtPicture(c: PartContext, v: SkirtValues, d: SkirtDraft): Picture {
  if (!d.faces || !d.taking || !d.wide) return NO_PICTURE;
  return pictureOf(view(c, v, d, 'front'), view(c, v, d, 'back'));
}

function view(c: PartContext, v: SkirtValues, d: SkirtDraft, face: Face): View {
  const out = emptyView();
  const panel = d.faces![face];
  const taking = d.taking![face];
  const marked = markedLengths(d.lengths)!;
  const waist = sewnLength(panel, 'waist');
  const lines = linesBelow(c.line).filter((l) => l.zone !== 'waist');
  const through = taking.gather > 0 ? [] : lines.filter((l) => l.level! < d.wide!.level! - 1);
  const rise = d.lie[0]!.marked!;
  // Seen from behind, the client's left side is on the left; from the front on the right.
  const [left, right] = face === 'back' ? (['left', 'right'] as const) : (['right', 'left'] as const);
  const h: HalfSkirt = {
    waist,
    through: through.map((l): Point => [sewnWidthAt(panel, l.level!) ?? l[face]!.rounded, l.level!]),
    wide: [d.wide![face]!.rounded, d.wide!.level!],
    hem: d.hem.shares.find((s) => s.panel === face)!.rounded,
    left: marked[left] - rise,
    right: marked[right] - rise,
    centre: marked[face],
  };
  out.strokes.push(skirtOutline(h));
  if (!c.above && v.band > 0) {
    out.strokes.push(bandStroke(waist, v.band, c.id('band-length')));
    if (face === 'front') {
      point(out, d.band.figures[0], [waist * 0.5, -v.band / 2]);
      point(out, d.band.figures[1], [-waist * 0.5, -v.band / 2]);
    }
  }
  if (!c.above) point(out, c.line('waist')?.figure, [-waist, 0]);
  for (const l of lines) {
    const half = halfWidth(h, l.level!);
    out.strokes.push(levelStroke(l.zone, half, l.level!));
    point(out, l.figure, [-half, l.level!]);
    if (face === 'back') point(out, l.levelFigure, [half * 0.6, l.level!]);
  }
  point(out, d.hem, [-h.hem, h.left]);
  if (taking.gather > 0) out.strokes.push(gatherStrokes(waist, 0, c.id(`gather-${face}`)));
  let sewn = 0;
  panel.darts.forEach((dart, i) => {
    const x = dart.at - sewn - dart.intake / 2;
    sewn += dart.intake;
    for (const side of [-1, 1])
      out.strokes.push({
        kind: 'dart',
        figure: c.id(`dart-${face}-intake`),
        d: `M${n(side * x - 0.45)} 0 L${n(side * x)} ${n(dart.length)} L${n(side * x + 0.45)} 0`,
      });
    const name = `dart-${face}${i > 0 ? `-${i + 1}` : ''}`;
    const figure = (id: string) => taking.figures.find((f) => f.id === c.id(id));
    if (i === 0) point(out, figure(`dart-${face}-intake`), [x, 0.5]);
    point(out, figure(`${name}-length`), [x, dart.length]);
  });
  if (face === 'back' && (c.opens === 'centre-back' || v.hemOpening !== 'none'))
    out.strokes.push({ kind: 'seam', figure: null, d: `M0 0 L0 ${n(h.centre)}` });
  if (face === 'back' && d.hemOpening?.marked && d.hemOpening.marked < h.centre) {
    const top = h.centre - d.hemOpening.marked;
    const fold =
      v.hemOpening === 'vent'
        ? `M0 ${n(top)} L2.5 ${n(top + 2.5)} L2.5 ${n(h.centre)}`
        : `M-0.4 ${n(h.centre)} L0 ${n(top)} L0.4 ${n(h.centre)}`;
    out.strokes.push({ kind: 'dart', figure: d.hemOpening.id, d: `M0 ${n(top)} L0 ${n(h.centre)} ${fold}` });
    point(out, d.hemOpening, [0, top + d.hemOpening.marked * 0.4]);
  }
  point(out, d.lengths[right], [h.hem, h.right * 0.8]);
  point(out, d.lengths[face], [0, h.centre * 0.93]);
  return out;
}

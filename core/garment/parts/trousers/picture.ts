import type { Point } from '../../../draft/curve.ts';
import { sewnLength } from '../../../draft/measure.ts';
import { linesBelow } from '../../common/from-waist/widest.ts';
import { hangLegs, legEdges } from '../../common/legs-picture.ts';
import {
  bandStroke,
  emptyView,
  gatherStrokes,
  levelStroke,
  n,
  pictureOf,
  point,
  type View,
} from '../../common/silhouette.ts';
import type { PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';
import type { TrouserDraft } from './draft.ts';
import type { TrouserValues } from './fields.ts';

/** Trousers as they hang, from the front and from behind. */
export function trouserPicture(c: PartContext, v: TrouserValues, d: TrouserDraft): Picture {
  if (!d.faces || !d.shapes || !d.taking) return NO_PICTURE;
  const { taking, faces, shapes, plan } = d;
  const figure = (id: string) =>
    [...plan.figures, ...d.measured, ...d.lie, ...taking.front.figures, ...taking.back.figures].find(
      (f) => f.id === c.id(id),
    );
  const view = (face: Face): View => {
    const out = emptyView();
    const waist = sewnLength(faces[face], 'waist');
    const lines = linesBelow(c.line).filter((l) => l.zone !== 'waist' && l.level! <= d.wide!.level! + 0.01);
    const hem = shapes[face].hem[0]![0][1];
    const legs = {
      waist,
      through:
        d.wide!.level! > 0
          ? lines
              .filter((l) => l.level! < d.wide!.level! - 1 && taking[face].gather === 0)
              .map((l): Point => [l[face]!.rounded, l.level!])
              .concat([[d.wide![face]!.rounded, d.wide!.level!]])
          : [],
      crotch: plan.crotch!,
      knee: plan.knee ? { level: plan.knee.level, girth: plan.knee.front + plan.knee.back } : null,
      hem: { level: hem, girth: plan.hem!.front + plan.hem!.back },
    };
    hangLegs(out, legs);
    const e = legEdges(legs);
    out.strokes.push(bandStroke(waist, v.band, c.id('band-length')));
    out.strokes.push({ kind: 'seam', figure: c.id('crotch-seam'), d: `M0 0 L0 ${n(plan.crotch!)}` });
    const crease = (s: number) =>
      `M${n(s * waist * 0.55)} ${n(hem * 0.12)} L${n(s * e.hem.middle)} ${n(e.hem.level)}`;
    for (const s of [-1, 1]) out.strokes.push({ kind: 'level', figure: null, d: crease(s) });
    if (face === 'front' && c.opens === 'centre-front')
      out.strokes.push({
        kind: 'seam',
        figure: 'zip',
        d: `M${n(-3.5)} 0 L${n(-3.5)} ${n(d.wide!.level! * 0.8)} Q${n(-3)} ${n(d.wide!.level!)} 0 ${n(d.wide!.level!)}`,
      });
    if (taking[face].gather > 0) out.strokes.push(gatherStrokes(waist, 0, c.id(`gather-${face}`)));
    let sewn = 0;
    faces[face].darts.forEach((dart, i) => {
      const x = dart.at - sewn - dart.intake / 2;
      sewn += dart.intake;
      for (const s of [-1, 1])
        out.strokes.push({
          kind: 'dart',
          figure: c.id(`dart-${face}-intake`),
          d: `M${n(s * x - 0.4)} 0 L${n(s * x)} ${n(dart.length)} L${n(s * x + 0.4)} 0`,
        });
      if (i === 0) point(out, figure(`dart-${face}-intake`), [x, 1]);
    });
    for (const l of lines) {
      out.strokes.push(levelStroke(l.zone, l[face]!.rounded, l.level!));
      if (face === 'front') point(out, l.figure, [-l[face]!.rounded, l.level!]);
      else point(out, l.levelFigure, [l[face]!.rounded * 0.6, l.level!]);
    }
    if (face === 'front') {
      point(out, c.line('waist')?.figure, [-waist, 0]);
      point(out, d.band.figures[0], [waist * 0.5, -v.band / 2]);
      point(out, d.band.figures[1], [-waist * 0.5, -v.band / 2]);
      point(out, figure('crotch-depth'), [0, plan.crotch!]);
      point(out, figure('inseam'), [e.hem.inner, (plan.crotch! + e.hem.level) / 2]);
      point(out, figure('hem'), [-e.hem.middle, e.hem.level]);
      if (e.knee) point(out, figure('knee'), [-e.knee.outer, e.knee.level]);
    } else {
      point(out, figure('outseam'), [(e.hip[0] + e.hem.outer) / 2, (e.hip[1] + e.hem.level) / 2]);
      point(out, figure('thigh'), [-e.hip[0] * 0.9, plan.crotch!]);
      point(out, figure('crotch-seam'), [0, plan.crotch! * 0.7]);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}

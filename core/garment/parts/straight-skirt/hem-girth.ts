import { buildFigure, share, TOLERANCE } from '../../../sheet/build.ts';
import type { Figure, Term } from '../../../sheet/figure.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { StraightSkirtBrief } from '../../brief.ts';
import type { PartContext } from '../../part.ts';

/** The hem's girth: straight down from the widest line, less the taper of its four edges. */
export function hemGirth(c: PartContext, brief: StraightSkirtBrief, wide: Figure): Figure {
  const terms: Term[] = [
    {
      kind: 'body',
      label: `${wide.name}, finished`,
      cm: wide.finished ?? cm(0),
      because: 'A straight skirt falls straight from its widest line.',
    },
  ];
  if (brief.taper > 0)
    terms.push({
      kind: 'take',
      label: `taper, 4 edges × ${p(brief.taper)}`,
      cm: cm(-4 * brief.taper),
      because: 'Two side seams have four edges.',
    });
  const hem = buildFigure(c, {
    id: 'hem',
    name: 'hem',
    group: 'girth',
    terms,
    known: wide.finished !== null,
    tolerance: TOLERANCE.girth,
  });
  if (hem.finished === null || !wide.front || !wide.back) return hem;
  // What changed the hem girth is shared over its four edges, so front and back keep the widest line's balance.
  const perEdge = cm((hem.finished - wide.finished!) / 4);
  const quarter = (face: 'front' | 'back') =>
    share(c, [
      {
        kind: 'body',
        label: `${wide.name}, ${face} quarter`,
        cm: wide[face]!.exact,
        because: 'Straight down.',
      },
      { kind: 'take', label: 'per edge', cm: perEdge, because: 'A quarter of the difference.' },
    ]);
  return { ...hem, front: quarter('front'), back: quarter('back') };
}

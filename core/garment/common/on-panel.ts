import { buildFigure, TOLERANCE, term } from '../../figure/build.ts';
import type { Figure } from '../../figure/figure.ts';
import type { Cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';

/** A figure that is measured on the drafted panels and follows from others: it cannot be set by hand. */
export const onPanel = (c: PartContext, id: string, name: string, length: Cm): Figure =>
  buildFigure(c, {
    id: c.id(id),
    section: c.key,
    name,
    group: 'length',
    tolerance: TOLERANCE.length,
    nearest: true,
    terms: [term('body', 'along the seam', length, 'Measured on the panels.')],
    settable: [],
  });

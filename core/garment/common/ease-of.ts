import { term } from '../../figure/build.ts';
import type { Term } from '../../figure/figure.ts';
import type { PartContext } from '../part.ts';
import { type EaseZone, easeFor } from '../tables/fit.ts';

/** The wearing ease that the garment's fit gives a zone, as a term. */
export function easeOf(c: PartContext, zone: EaseZone): Term {
  const { brief, house } = c.input;
  const { ease, because } = easeFor(zone, brief.fit, brief.school, c.hang, house.ease);
  return term('wearing', 'wearing ease', ease, because);
}

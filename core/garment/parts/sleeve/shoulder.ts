import { sewnLength } from '../../../draft/measure.ts';
import { bodyTerms, term } from '../../../figure/build.ts';
import type { Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { PartContext } from '../../part.ts';

/** From where a sleeve's length may be read, besides the shoulder point. */
export type From = 'neck' | 'nape';

/**
 * How far the garment's shoulder point, where its sleeve begins, lies from the body's side-neck along the shoulder, and
 * from the nape straight across, cm; null while what it joins is not drafted.
 */
export function toShoulder(c: PartContext): Readonly<Record<From, Cm>> | null {
  const [at, neckline] = [c.above?.arm?.shoulder, c.above?.neckline];
  if (!at || !neckline) return null;
  const half = (c.measured.get('neck-width')?.net ?? c.shape.neckWidth) / 2;
  // The shoulder is straight: what a wide neckline takes off it lies on the same line.
  const [dx, dy] = [at[0] - neckline.side[0], at[1] - neckline.side[1]];
  const slant = Math.hypot(dx, dy) / Math.max(dx, 1e-6);
  const fronts = c.above!.panels.filter(
    (q) => q.layer === 'outer' && q.share === 'front' && q.edges.some((e) => e.id === 'shoulder'),
  );
  // The front's: a back's is eased to it.
  const sewn = fronts.length > 0 ? fronts.reduce((sum, q) => sum + sewnLength(q, 'shoulder'), 0) : dx * slant;
  return {
    neck: cm(sewn + (neckline.side[0] - half) * slant),
    nape: cm(neckline.side[0] + sewn / slant),
  };
}

const READ: Readonly<Record<From, string>> = { neck: 'neck-to-wrist', nape: 'nape-to-wrist' };
const WAY: Readonly<Record<From, string>> = {
  neck: 'From the side-neck along the shoulder, measured on the panels.',
  nape: 'Straight across the back, half of shoulder to shoulder as drafted.',
};

/** From which length the arm is taken where it was not read from the shoulder point; null where it was, or none was read. */
export function armFrom(c: PartContext): From | null {
  if (c.measured.get('arm-length')?.net != null) return null;
  const shoulder = toShoulder(c);
  return (
    (['neck', 'nape'] as const).find((from) => {
      const net = c.measured.get(READ[from])?.net;
      return net != null && shoulder !== null && net > shoulder[from] + LEAST_ARM;
    }) ?? null
  );
}
/** An arm is at least this long, cm: a length from the neck that leaves less was read for something else. */
const LEAST_ARM = 20;
/** The measures that a sleeve is drafted by without having asked for them. */
export const armUses = (c: PartContext): readonly string[] => {
  const from = armFrom(c);
  return from ? [READ[from]] : [];
};

/** The arm from the shoulder point as terms: as read, or what a length from the neck leaves; null where none was read. */
export function armLength(c: PartContext): readonly Term[] | null {
  const own = c.measured.get('arm-length');
  if (own?.net != null) return bodyTerms(own);
  const from = armFrom(c);
  return from && [...bodyTerms(c.measured.get(READ[from])!), shoulderTerm(toShoulder(c)!, from)];
}

/** What lies above the sleeve of a length that was read or wanted from the neck, as a term. */
export const shoulderTerm = (shoulder: Readonly<Record<From, Cm>>, from: From): Term =>
  term('take', 'above the shoulder point', -shoulder[from], WAY[from]);

import { edgeLength } from '../draft/measure.ts';
import { cm } from '../units/length.ts';
import type { Asked } from './asked.ts';
import type { Half } from './boxes.ts';
import type { SeamPlace } from './places.ts';
import type { Profile } from './profile.ts';

/** Stations of a hem whose marks differ. */
const STATIONS = 8;

/** Whether a place is a hem, or the lower edge of a bodice that is worn alone. */
export const isHem = ({ seam, edge }: SeamPlace): boolean =>
  seam.kind === 'hem' || (seam.kind === 'waist' && edge.turned === true);

/**
 * What the hem of one face gets of the marks round it, from the edge’s own first point, cm: level at centre and side, so
 * that it meets both as square as it did.
 */
export function roundHem(p: SeamPlace, { hem, direction }: Asked, which: Half): Profile {
  const { front, back } = hem!;
  const [middle, side] = [p.seam.face === 'back' ? back : front, hem![which]];
  const length = edgeLength(p.panel, p.edge.id);
  return Array.from({ length: STATIONS + 1 }, (_, k) => {
    const s = (length * k) / STATIONS;
    const along = p.seam.from + (p.seam.against ? length - s : s);
    const by = middle + (side - middle) * eased(along / p.seam.whole);
    return { at: cm(s), by: cm(by * direction.sign) };
  });
}
const eased = (t: number): number => (1 - Math.cos(Math.PI * t)) / 2;

/** What the hem of a leg gets of its marks, cm: one curve through outside, the middle of the face and inside. */
export function legHem(p: SeamPlace, { legs, direction }: Asked, which: Half): Profile {
  const leg = legs![which];
  const middle = p.seam.face === 'back' ? leg.back : leg.front;
  const i = p.panel.edges.indexOf(p.edge);
  const insideLast = p.panel.edges[(i + 1) % p.panel.edges.length]!.id === 'inseam';
  const [a, b] = insideLast ? [leg.outside, leg.inside] : [leg.inside, leg.outside];
  const length = edgeLength(p.panel, p.edge.id);
  return Array.from({ length: STATIONS + 1 }, (_, k) => {
    const t = k / STATIONS;
    const by = a * (1 - t) * (1 - 2 * t) + middle * 4 * t * (1 - t) + b * t * (2 * t - 1);
    return { at: cm(t * length), by: cm(by * direction.sign) };
  });
}

import { edgeLength } from '../draft/measure.ts';
import { cm } from '../units/length.ts';
import type { Asked } from './asked.ts';
import type { Half } from './boxes.ts';
import type { SeamPlace } from './places.ts';
import type { Profile } from './profile.ts';
import { CannotAlter } from './refusal.ts';

/** Stations of a hem whose marks differ. */
const STATIONS = 8;

/** Whether a place is a hem, or the lower edge of a bodice that is worn alone. */
export const isHem = ({ seam, edge }: SeamPlace): boolean =>
  seam.kind === 'hem' || (seam.kind === 'waist' && edge.turned === true);

/**
 * What the hem of one face gets of the marks round it, from the edge’s own first point, cm: level at centre and side, so
 * that it meets both as square as it did. @throws CannotAlter for gores, which are cut alike
 */
export function roundHem(p: SeamPlace, { hem, direction }: Asked, which: Half): Profile {
  const { front, left, right, back } = hem!;
  const all = [front, left, right, back];
  if (p.seam.face === null && Math.max(...all) - Math.min(...all) > 1e-9)
    throw new CannotAlter(
      `The ${p.panel.name}s of this ${p.seam.part} are cut alike: a hem that differs round it is marked on each when it hangs. Give one amount here, and the rest as a note.`,
    );
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

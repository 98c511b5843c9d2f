import { findMeasure, MEASURES } from '../measures/catalogue.ts';
import type { PartBrief } from './brief.ts';
import type { GarmentPart, Wants } from './part.ts';
import { straightSkirt } from './parts/straight-skirt/index.ts';

/** Every garment part the house can put on a sheet. A new part is one new file and one entry here. */
export const PARTS: { readonly [K in PartBrief['part']]: GarmentPart<Extract<PartBrief, { part: K }>> } = {
  'straight-skirt': straightSkirt,
};

/** The part's code for a part's brief. */
export const partFor = (brief: PartBrief): GarmentPart => PARTS[brief.part];

/**
 * The order in which a tape goes over the client: girths from top to bottom, each drop right after its level,
 * then arcs, lengths, hems (common practice). Measures not named here follow in catalogue order.
 */
const TAPE_ORDER = [
  'waist',
  'high-hip',
  'waist-to-high-hip',
  'tummy',
  'waist-to-tummy',
  'hip',
  'waist-to-hip',
  'hip-front',
  'waist-to-knee',
  'waist-to-floor',
  'hem-front',
  'hem-left',
  'hem-right',
  'hem-back',
];

/** What to measure for these parts and nothing more, in measuring order, with what is needed and what helps. */
export function measuringList(parts: readonly PartBrief[]): { id: string; needed: boolean }[] {
  const wants: Wants[] = parts.map((part) => partFor(part).wants(part));
  const needed = new Set(wants.flatMap((w) => w.needs));
  const ids = new Set(wants.flatMap((w) => [...w.needs, ...w.helps]));
  const place = (id: string) => {
    const at = TAPE_ORDER.indexOf(id);
    return at >= 0 ? at : TAPE_ORDER.length + MEASURES.indexOf(findMeasure(id)!);
  };
  return [...ids].sort((a, b) => place(a) - place(b)).map((id) => ({ id, needed: needed.has(id) }));
}

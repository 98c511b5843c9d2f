import { type Cm, cm, resolveAll } from '@rocchetto/core';
import { GENERIC_BODY, GENERIC_PARTS } from '@rocchetto/core/compare/generic.ts';
import type { FlatCut } from '@rocchetto/core/measures/flat/flat-points.ts';
import { BriefWire, type HouseWire } from './brief.ts';
import { SpecFile } from './spec.ts';
import { specReading } from './spec-reading.ts';

/** The brief of a garment that has the points of a cut, as the house begins one. Its parts must be loaded. */
export const genericBrief = (cut: FlatCut): BriefWire =>
  BriefWire.parse({ parts: GENERIC_PARTS[cut].map((part) => ({ part })) });

/** That garment on a body of the middle: to show where a change lies where the order has no draft of its own. */
export const genericSpec = (cut: FlatCut, house: HouseWire | undefined): SpecFile =>
  SpecFile.parse({
    format: 'rocchetto-spec',
    version: 2,
    garment: genericBrief(cut),
    readings: Object.entries(GENERIC_BODY).map(([measure, n]) => ({ measure, value: `${n} cm` })),
    ...(house ? { house } : {}),
  });

/** A body’s front is half of its bust and so much, where it was not read, cm (common practice). */
const FRONT_MORE = 2;

/** Lengths down the front that a fuller bust makes longer by as much as each half is wider (common practice). */
const OVER_BUST = ['neck-to-waist-front', 'garment-length'];

/**
 * The same garment as it is and with so much more round the bust, all of it in front, cm; less is negative. The front
 * grows longer over it by as much as each half grows wider. Where the front was not read it is what it usually is, in
 * both. Null where the bust was not read.
 */
export function withFront(spec: SpecFile, by: Cm): readonly [SpecFile, SpecFile] | null {
  const measured = resolveAll(spec.readings.map((r, i) => specReading(r, i, spec)));
  const net = (id: string) => measured.get(id)?.net ?? null;
  const bust = net('bust');
  const [like] = spec.readings;
  if (bust === null || !like) return null;
  const front = net('bust-front') ?? cm(bust / 2 + FRONT_MORE);
  const made = (more: number): SpecFile => {
    const read = [
      ['bust', bust + more] as const,
      ['bust-front', front + more] as const,
      ...OVER_BUST.flatMap((id) => (net(id) === null ? [] : [[id, net(id)! + more / 2] as const])),
    ];
    const others = spec.readings.filter((r) => !read.some(([id]) => id === r.measure));
    const plain = { state: 'read', way: 'whole', tape: 'snug', reason: '', note: '' } as const;
    return {
      ...spec,
      readings: [
        ...others,
        ...read.map(([measure, n]) => ({ ...like, ...plain, measure, value: `${n} cm` })),
      ],
    };
  };
  return [made(0), made(by)];
}

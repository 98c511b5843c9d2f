import type { GarmentPart } from './part.ts';
import { bonedBodice } from './parts/boned-bodice/index.ts';
import { circleSkirt } from './parts/circle-skirt/index.ts';
import { collar } from './parts/collar/index.ts';
import { cutOnTop } from './parts/cut-on-top/index.ts';
import { danceSuit } from './parts/dance-suit/index.ts';
import { dartedBodice } from './parts/darted-bodice/index.ts';
import { details } from './parts/details/index.ts';
import { gatheredSkirt } from './parts/gathered-skirt/index.ts';
import { goredSkirt } from './parts/gored-skirt/index.ts';
import { knitSkirt } from './parts/knit-skirt/index.ts';
import { longBodice } from './parts/long-bodice/index.ts';
import { overskirt } from './parts/overskirt/index.ts';
import { pleatedSkirt } from './parts/pleated-skirt/index.ts';
import { pullOnTrousers } from './parts/pull-on-trousers/index.ts';
import { sleeve } from './parts/sleeve/index.ts';
import { straightSkirt } from './parts/straight-skirt/index.ts';
import { tieredSkirt } from './parts/tiered-skirt/index.ts';
import { top } from './parts/top/index.ts';
import { trousers } from './parts/trousers/index.ts';

/** Every garment part the house can put on a sheet. A new part is one new folder and one entry here. */
const PARTS = new Map<string, GarmentPart>(
  [
    straightSkirt,
    gatheredSkirt,
    circleSkirt,
    goredSkirt,
    pleatedSkirt,
    tieredSkirt,
    knitSkirt,
    dartedBodice,
    longBodice,
    bonedBodice,
    top,
    cutOnTop,
    danceSuit,
    sleeve,
    collar,
    trousers,
    pullOnTrousers,
    overskirt,
    details,
  ].map((p) => [p.id, p]),
);

/** The part of this id; undefined when the house knows none. */
export const findPart = (id: string): GarmentPart | undefined => PARTS.get(id);

/** The part of this id. @throws RangeError when the house knows none */
export function partFor(id: string): GarmentPart {
  const part = PARTS.get(id);
  if (!part) throw new RangeError(`No garment part is called ${id}`);
  return part;
}

/** All parts, in the order they are offered. */
export const allParts = (): readonly GarmentPart[] => [...PARTS.values()];

/** Adds a part while the program runs; gives back what takes it away again. @throws RangeError when its id is taken */
export function addPart(part: GarmentPart): () => void {
  if (PARTS.has(part.id)) throw new RangeError(`There is a part called ${part.id} already`);
  PARTS.set(part.id, part);
  return () => void PARTS.delete(part.id);
}

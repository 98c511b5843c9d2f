import type { GarmentPart } from './part.ts';

/**
 * Every garment part the house can put on a sheet, in the order they are offered. A new part is one new folder and one
 * entry here. Each is loaded when it is wanted: the program has all of them from its start, a page those of its garment.
 */
const HOUSE: Readonly<Record<string, () => Promise<GarmentPart>>> = {
  'straight-skirt': () => import('./parts/straight-skirt/index.ts').then((m) => m.straightSkirt),
  'gathered-skirt': () => import('./parts/gathered-skirt/index.ts').then((m) => m.gatheredSkirt),
  'circle-skirt': () => import('./parts/circle-skirt/index.ts').then((m) => m.circleSkirt),
  'gored-skirt': () => import('./parts/gored-skirt/index.ts').then((m) => m.goredSkirt),
  'pleated-skirt': () => import('./parts/pleated-skirt/index.ts').then((m) => m.pleatedSkirt),
  'tiered-skirt': () => import('./parts/tiered-skirt/index.ts').then((m) => m.tieredSkirt),
  'knit-skirt': () => import('./parts/knit-skirt/index.ts').then((m) => m.knitSkirt),
  'darted-bodice': () => import('./parts/darted-bodice/index.ts').then((m) => m.dartedBodice),
  'long-bodice': () => import('./parts/long-bodice/index.ts').then((m) => m.longBodice),
  'boned-bodice': () => import('./parts/boned-bodice/index.ts').then((m) => m.bonedBodice),
  top: () => import('./parts/top/index.ts').then((m) => m.top),
  'cut-on-top': () => import('./parts/cut-on-top/index.ts').then((m) => m.cutOnTop),
  'dance-suit': () => import('./parts/dance-suit/index.ts').then((m) => m.danceSuit),
  sleeve: () => import('./parts/sleeve/index.ts').then((m) => m.sleeve),
  collar: () => import('./parts/collar/index.ts').then((m) => m.collar),
  'cap-sleeve': () => import('./parts/cap-sleeve/index.ts').then((m) => m.capSleeve),
  trousers: () => import('./parts/trousers/index.ts').then((m) => m.trousers),
  'pull-on-trousers': () => import('./parts/pull-on-trousers/index.ts').then((m) => m.pullOnTrousers),
  overskirt: () => import('./parts/overskirt/index.ts').then((m) => m.overskirt),
  details: () => import('./parts/details/index.ts').then((m) => m.details),
};
const PARTS = new Map<string, GarmentPart>();

/** Brings these parts, those that the house has. */
export async function loadParts(ids: readonly string[]): Promise<void> {
  const wanted = [...new Set(ids)].filter((id) => !PARTS.has(id) && Object.hasOwn(HOUSE, id));
  for (const part of await Promise.all(wanted.map((id) => HOUSE[id]!()))) PARTS.set(part.id, part);
}
/** Brings all of them. */
export const loadEveryPart = (): Promise<void> => loadParts(Object.keys(HOUSE));
/** Whether these parts are there, or are none of the house and never will be. */
export const partsAreThere = (ids: readonly string[]): boolean =>
  ids.every((id) => PARTS.has(id) || !Object.hasOwn(HOUSE, id));

/** The part of this id; undefined when the house knows none. */
export const findPart = (id: string): GarmentPart | undefined => PARTS.get(id);

/** The part of this id. @throws RangeError when the house knows none */
export function partFor(id: string): GarmentPart {
  const part = PARTS.get(id);
  if (!part) throw new RangeError(`No garment part is called ${id}`);
  return part;
}

/** What a key of a garment's parts is called among words: that of the part which has it. */
export const nameOfKey =
  (parts: readonly { readonly part: string }[]) =>
  (key: string): string =>
    parts
      .map((p) => PARTS.get(p.part))
      .find((part) => part?.key === key)
      ?.name.toLowerCase() ?? key;

/** All parts that are there, in the order they are offered. */
export const allParts = (): readonly GarmentPart[] => [
  ...Object.keys(HOUSE).flatMap((id) => PARTS.get(id) ?? []),
  ...[...PARTS.values()].filter((p) => !Object.hasOwn(HOUSE, p.id)),
];

/** Adds a part while the program runs; gives back what takes it away again. @throws RangeError when its id is taken */
export function addPart(part: GarmentPart): () => void {
  if (PARTS.has(part.id)) throw new RangeError(`There is a part called ${part.id} already`);
  PARTS.set(part.id, part);
  return () => void PARTS.delete(part.id);
}

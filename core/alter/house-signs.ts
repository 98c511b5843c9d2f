import type { Cause, Sign } from './sign.ts';
import { findSign, SIGNS } from './signs.ts';

/** A sign as the house words it: in place of one of the table (its id), or one of its own (`own-…`). */
export interface HouseSign {
  readonly name: string;
  /** the sign of the table whose drawing it has */
  readonly like: string;
  readonly hidden: boolean;
  /** in the order in which they are tried */
  readonly causes: readonly Cause[];
}
export type HouseSigns = Readonly<Record<string, HouseSign>>;

/** What the id of a sign of the house’s own begins with. */
export const OWN_SIGN = /^own-[a-z0-9-]{1,36}$/;

/** Every sign the house goes by: those of the table as it words them, hidden ones last and only when asked for, its own after them. */
export function signsWith(house: HouseSigns, hidden = false): Sign[] {
  const own = Object.entries(house).filter(([id]) => OWN_SIGN.test(id));
  return [
    ...SIGNS.map((s) => worded(s, house[s.id])),
    ...own.flatMap(([id, h]) => {
      const like = findSign(h.like);
      return like ? [worded({ ...like, id }, h)] : [];
    }),
  ].filter((s) => hidden || house[s.id]?.hidden !== true);
}

const worded = (s: Sign, h: HouseSign | undefined): Sign =>
  h === undefined ? s : { ...s, name: h.name, causes: h.causes };

/** The sign of this id as the house words it; undefined when it has none. A hidden one still says what was chosen then. */
export function signOf(house: HouseSigns, id: string): Sign | undefined {
  const h = house[id];
  const table = findSign(id) ?? (h && OWN_SIGN.test(id) ? findSign(h.like) : undefined);
  return table && worded({ ...table, id }, h);
}

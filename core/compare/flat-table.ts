import { sewingCup } from '../measures/cups.ts';
import type { FlatCut } from '../measures/flat/flat-points.ts';
import { type Measured, resolveAll } from '../measures/session.ts';
import { besideFlat, type FlatRow, flatSays } from '../sheet/beside-flat.ts';
import type { Sheet } from '../sheet/compute.ts';
import { type Cm, cm } from '../units/length.ts';
import { readLength, type Written } from '../units/reading.ts';
import { type Rounding, roundLength } from '../units/rounding.ts';
import { bustAsked, type FlatAsked, flatAsked } from './flat-asked.ts';
import { allowancesIn, byCup, flatChange } from './flat-change.ts';
import { wishesOf } from './wish.ts';
import { findZone, isUpper, profileOf } from './zones.ts';

/** What pieces on the table are held against: an order’s sheet, its body and what is wanted there. */
export interface FlatGround {
  readonly sheet: Sheet | null;
  readonly measured: ReadonlyMap<string, Pick<Measured, 'net'>>;
  /** the ease wanted at a measure of the body, cm; null where nothing says */
  readonly wanted: (id: string) => Cm | null;
  /** in what a hand marks a change: a millimetre or a sixteenth */
  readonly hand: Rounding;
  readonly cup: string | null;
  readonly princess: boolean;
}

/** Of an order, what its pieces on the table are held against; without a sheet, nothing. */
export function flatGround(sheet: Sheet | null): FlatGround {
  const measured = sheet ? resolveAll(sheet.input.readings) : new Map<string, Measured>();
  const net = (id: string) => measured.get(id)?.net ?? null;
  const profile = sheet && profileOf(sheet.input.brief.parts);
  const wish = sheet && wishesOf(sheet, net, profile && isUpper(profile) ? 'shoulder' : 'waist');
  const unit = sheet?.input.house.rounding.unit ?? 'cm';
  const [bust, high] = [net('bust'), net('high-bust')];
  return {
    sheet,
    measured,
    wanted: (id) => {
      const zone = wish ? findZone(id) : undefined;
      // A girth of which no table says the ease is wanted as wide as nothing.
      return !zone || !wish || (!zone.ease && !zone.length && zone.edges > 2) ? null : wish(zone).want;
    },
    hand: { unit, step: unit === 'cm' ? 0.1 : 0.0625, mode: 'nearest' },
    cup: bust === null || high === null ? null : sewingCup(bust, high),
    princess: sheet?.panels.some((p) => p.edges.some((e) => e.id === 'princess')) === true,
  };
}

/** A point with what to do there. */
export interface FlatChanged extends FlatRow {
  readonly change: string | null;
  /** as what alteration; null where none does it */
  readonly asked: FlatAsked | null;
  /** a bust change by a dart: so much more round the bust, all of it in front, cm; no alteration of sewn cloth does it */
  readonly front: Cm | null;
}

/** One piece: its points beside body and sheet, what to do at each and as what alteration, and what to know of the whole. */
export interface FlatTable {
  readonly rows: readonly FlatChanged[];
  readonly says: readonly string[];
}

/**
 * The table of one piece. Lengths cm; sentences keep theirs open.
 * @param read by point, as it was written with its unit; what is no length is left out
 * @param own what a length may differ by on this piece, halves half of it; null for the house's
 */
export function flatTable(
  { sheet, measured, wanted, hand, cup, princess }: FlatGround,
  cut: FlatCut,
  read: Readonly<Record<string, string>>,
  own: Cm | null,
): FlatTable {
  const written = new Map<string, Written>();
  for (const [point, text] of Object.entries(read)) {
    const length = readLength(text, 'cm', true);
    if (length.ok) written.set(point, length.written);
  }
  const held = besideFlat(cut, written, sheet, measured, wanted, own);
  const off = (id: string) => held.find((r) => r.point.id === id)?.within === false;
  const bust = { cup, shouldersFit: !off('shoulders') && !off('shoulder') };
  const rows = held.map((r): FlatChanged => {
    const cupped = byCup(r, bust);
    return {
      ...r,
      change: flatChange(r, hand, bust),
      asked: cupped ? (princess ? bustAsked(r, hand) : null) : flatAsked(r, hand),
      front: cupped && !princess ? roundLength(cm(-2 * r.differs!), hand) : null,
    };
  });
  return { rows, says: [...flatSays(rows), ...[allowancesIn(rows)].filter((x) => x !== null)] };
}

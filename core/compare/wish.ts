import type { SheetInput } from '../garment/input.ts';
import { easeFor, FLOORS, type Hang } from '../garment/tables/fit.ts';
import type { Sheet } from '../sheet/compute.ts';
import { type Cm, cm } from '../units/length.ts';
import type { Zone } from './zones.ts';

/** What a garment should be more than the body at a place, cm, and what it may not be less or more than. */
export interface Wish {
  readonly want: Cm;
  readonly least: Cm | null;
  readonly most: Cm | null;
  readonly because: string;
}
export type WishOf = (zone: Zone) => Wish;

/** Above the bust a bodice has at most an inch, where its own ease asks no more (common practice). */
const HIGH_BUST_MOST = 2.54;

/** What an order’s brief wants at each place: as its own sheet has it, else by its fit. */
export function wishesOf(
  sheet: Pick<Sheet, 'figures' | 'input'>,
  net: (id: string) => Cm | null,
  hang: Hang,
): WishOf {
  const { brief, house } = sheet.input;
  return (zone) => {
    const figure = sheet.figures.find((f) => f.id === zone.id);
    const own = figure?.finished ?? null;
    const body = net(zone.id);
    const woven = (figure?.gives ?? brief.cloth.stretch) === 0;
    const least = woven && zone.ease ? (FLOORS[zone.ease]?.least ?? null) : null;
    const wish = (want: Cm, because: string): Wish => ({
      want,
      least: least !== null && least <= want ? least : null,
      most: zone.id === 'high-bust' ? cm(Math.max(want, HIGH_BUST_MOST)) : null,
      because,
    });
    if (own !== null && body !== null && zone.ease)
      return wish(cm(own - body), 'As the order’s own sheet has it.');
    if (!zone.ease) return wish(cm(0), 'As long as on the body.');
    const { ease, because } = easeFor(zone.ease, brief.fit, brief.school, hang, houseEase(house));
    return wish(ease, because);
  };
}
const houseEase = (house: SheetInput['house']) => house.ease;

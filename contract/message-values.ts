import { printDayIn } from '@rocchetto/core/dates/in-language.ts';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import type { MessageValues } from '@rocchetto/core/diary/words.ts';
import type { AppointmentView, SlotView } from './diary.ts';
import type { HouseSettings } from './house.ts';

/** Where and in which words an appointment is told of. */
export interface Telling {
  readonly studio: string;
  /** a line each: address, phone, email, those it has given */
  readonly contact: readonly string[];
  /** the studio's wall time of an instant, in minutes since 1970 */
  readonly wall: (at: number) => { readonly day: string; readonly time: string };
  readonly roomName: (id: number | null) => string;
  /** in which language days are written; empty for the house's own */
  readonly language?: string;
  /** how the house writes days in its own language */
  readonly dateOrder: DateOrder;
  /** appointment types as that language names them; the studio's own name for those it does not */
  readonly kinds?: Readonly<Record<string, string>>;
}

/** What a message says of an appointment, and of one of its times where it tells of one: in the letter and in its preview alike. */
export function messageValues(a: AppointmentView, slot: SlotView | undefined, t: Telling): MessageValues {
  const day = (iso: string) => printDayIn(t.language ?? '', iso, t.dateOrder);
  const until = a.heldUntil && t.wall(Math.floor(Date.parse(a.heldUntil) / 60_000));
  return {
    client: a.clientName,
    studio: t.studio,
    contact: t.contact.join('\n'),
    kind: t.kinds?.[a.kind] ?? a.kindName,
    day: slot ? day(slot.day) : '',
    time: slot?.from ?? '',
    room: slot ? t.roomName(slot.roomId) : '',
    bring: a.bring,
    who: a.whoComes,
    times: a.slots
      .filter((s) => s.state === 'offered')
      .map((s) => `${day(s.day)}, ${s.from}`)
      .join('\n'),
    until: until ? `${day(until.day)}, ${until.time}` : '',
  };
}

/** How clients reach the studio: what it has given of address, phone and e-mail. */
export const contactOf = (h: Pick<HouseSettings, 'address' | 'phone' | 'email'>): string[] =>
  [h.address, h.phone, h.email].filter((line) => line !== '');

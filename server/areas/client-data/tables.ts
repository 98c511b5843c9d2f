/** What becomes of a table that hangs on a client, when their data are given out and when they are erased. */
interface Held {
  /** under which name client.json tells it, or why it tells nothing of the client that is not told elsewhere */
  readonly told: { readonly as: string } | { readonly not: string };
  /** its rows go, the words in them go, or there are no words of or about the client in it */
  readonly erased: 'rows' | 'words' | 'no words';
}

const no = (not: string) => ({ not });
const as = (name: string) => ({ as: name });

/**
 * Every table that a client's row is at the end of, by way of orders, sessions, appointments and whatever hangs on those.
 * A test holds it against the database itself: a table that comes is not forgotten by either.
 */
export const CLIENT_TABLES: Readonly<Record<string, Held>> = {
  client: { told: as('client'), erased: 'words' },
  orders: { told: as('orders'), erased: 'words' },
  session: { told: as('sessions'), erased: 'rows' },
  reading: { told: as('sessions'), erased: 'rows' },
  sheet: { told: as('sheets'), erased: 'words' },
  appointment: { told: as('appointments'), erased: 'words' },
  slot: { told: as('appointments'), erased: 'words' },
  slot_staff: { told: no('which of the staff came'), erased: 'no words' },
  occupied: { told: no('the staff’s and rooms’ own times'), erased: 'no words' },
  alteration: { told: as('alterations'), erased: 'words' },
  alteration_step: { told: as('alterations'), erased: 'words' },
  alteration_box: { told: as('alterations'), erased: 'words' },
  alteration_work: { told: no('how long each of the staff worked'), erased: 'no words' },
  bench_work: { told: as('bench'), erased: 'words' },
  brought_in: { told: as('broughtIn'), erased: 'words' },
  carried: { told: as('messages'), erased: 'rows' },
  message: { told: as('messages'), erased: 'words' },
  cloth_lay: { told: as('lays'), erased: 'words' },
  client_away: { told: as('away'), erased: 'rows' },
  client_like: { told: as('likes'), erased: 'rows' },
  client_link: { told: no('keys of pages of their own, as hashes'), erased: 'rows' },
  flat_lay: { told: as('laidFlat'), erased: 'words' },
  flat_change: { told: as('laidFlat'), erased: 'no words' },
  flat_reading: { told: as('laidFlat'), erased: 'no words' },
  garment_reading: { told: as('finished'), erased: 'words' },
  handed_over: { told: as('handOvers'), erased: 'words' },
  home_link: { told: as('homeLinks'), erased: 'rows' },
  imported_row: { told: no('a fingerprint of the row they came from'), erased: 'rows' },
  measuring_list: { told: as('measuringLists'), erased: 'rows' },
  money_noted: { told: as('money'), erased: 'words' },
  open_question: { told: as('questions'), erased: 'rows' },
  estimate_kept: { told: as('estimates'), erased: 'words' },
  order_estimate: { told: as('estimates'), erased: 'rows' },
  order_plan: { told: as('plans'), erased: 'rows' },
  order_size: { told: as('patternSizes'), erased: 'rows' },
  own_block: { told: as('blocks'), erased: 'rows' },
  photo: { told: as('photographs'), erased: 'rows' },
  pins_counted: { told: as('pins'), erased: 'no words' },
};

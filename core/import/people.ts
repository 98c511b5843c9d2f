import { foldPhone, foldText } from '../text/fold.ts';
import { type ImportedRow, LONGEST } from './rows.ts';

type Card = Pick<ImportedRow, 'name' | 'phone' | 'email' | 'address' | 'note'>;

/** Somebody of an old book: what all their rows say together. */
export interface BookPerson {
  /** the same for every row of this person */
  readonly key: string;
  readonly folded: string;
  readonly digits: string;
  /** how many of this name the book holds, told apart by their phones */
  readonly namesakes: number;
  readonly card: Card;
}

/**
 * Whose each row is: one of a name is one person, several are told apart by the phone, and a row that does not tell
 * which of several is a sentence. The whole book is looked at, so that neither order nor place of a row matters.
 */
export function peopleOf(rows: readonly Card[]): (BookPerson | string)[] {
  const phones = new Map<string, Set<string>>();
  for (const { name, phone } of rows) {
    const folded = foldText(name);
    const known = phones.get(folded) ?? new Set();
    if (foldPhone(phone)) known.add(foldPhone(phone));
    phones.set(folded, known);
  }
  const people = new Map<string, { -readonly [K in keyof BookPerson]: BookPerson[K] }>();
  return rows.map((row) => {
    const folded = foldText(row.name);
    const known = [...phones.get(folded)!];
    const own = foldPhone(row.phone);
    if (own === '' && known.length > 1) return unclear(row.name, known.length);
    const digits = own || known[0] || '';
    const key = `${folded}\n${digits}`;
    const person = people.get(key) ?? {
      key,
      folded,
      digits,
      namesakes: Math.max(1, known.length),
      card: { name: row.name, phone: '', email: '', address: '', note: '' },
    };
    people.set(key, person);
    const { card } = person;
    const notes = card.note.split('\n');
    person.card = {
      name: card.name,
      phone: card.phone || row.phone,
      email: card.email || row.email,
      address: card.address || row.address,
      note: [...notes, ...row.note.split('\n').filter((n) => !notes.includes(n))]
        .filter(Boolean)
        .join('\n')
        .slice(0, LONGEST.note),
    };
    return person;
  });
}

/** Why a row that could be several clients’ is left out. */
export const unclear = (name: string, among: number): string =>
  `${among} clients are called ${name}, and the phone does not say which. The row is left out.`;

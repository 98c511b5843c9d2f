import type { Hours } from './hours.ts';
import { type AppointmentKind, KINDS } from './kinds.ts';

/** When the house is open until it says otherwise (house default). */
export const DEFAULT_OPENING: readonly Hours[] = [
  ...[1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '09:00', to: '18:00' })),
  { weekday: 6, from: '09:00', to: '13:00' },
];

/** What the house says of a kind: all of it, its name only where it has another. */
type Own = Omit<AppointmentKind, 'id' | 'name' | 'offered' | 'at'> & {
  readonly name?: string | undefined;
  readonly offered?: boolean | undefined;
  readonly at?: AppointmentKind['at'] | undefined;
};

type Usual = Pick<AppointmentKind, 'name' | 'at'>;
/** What a kind of the house's own is until it says so: kinds were kept before they said where the client stands. */
const usualOf = (id: string): Usual => ({
  name: id.replaceAll('-', ' '),
  at: /\bfitting\b/.test(id.replaceAll('-', ' ')) ? 'mirror' : null,
});

/** The kinds of appointment as the house has them: its own figures laid over core's, then those only it has. */
export function kindsOf(own: Readonly<Record<string, Own>>): AppointmentKind[] {
  const made = (id: string, usual: Usual, { name, offered, at, ...k }: Own): AppointmentKind => ({
    id,
    name: name ?? usual.name,
    ...k,
    at: at === undefined ? usual.at : at,
    ...(offered === false ? { offered } : {}),
  });
  const known = new Set(KINDS.map((k) => k.id));
  return [
    ...KINDS.map((k) => (own[k.id] ? made(k.id, k, own[k.id]!) : k)),
    ...Object.entries(own)
      .filter(([id]) => !known.has(id))
      .map(([id, k]) => made(id, usualOf(id), k)),
  ];
}

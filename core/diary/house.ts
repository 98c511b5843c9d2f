import type { Hours } from './hours.ts';
import { type AppointmentKind, KINDS } from './kinds.ts';

/** When the house is open until it says otherwise (house default). */
export const DEFAULT_OPENING: readonly Hours[] = [
  ...[1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '09:00', to: '18:00' })),
  { weekday: 6, from: '09:00', to: '13:00' },
];

type Overlay = Readonly<Record<string, Omit<AppointmentKind, 'id' | 'name'>>>;

/** The kinds of appointment as the house has them: its own figures laid over core's, then those only it has. */
export function kindsOf(own: Overlay): AppointmentKind[] {
  const known = new Set(KINDS.map((k) => k.id));
  return [
    ...KINDS.map((k) => ({ ...k, ...own[k.id] })),
    ...Object.entries(own)
      .filter(([id]) => !known.has(id))
      .map(([id, k]) => ({ id, name: id.replaceAll('-', ' '), ...k })),
  ];
}

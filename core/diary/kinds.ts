/** What a member of staff can do; an appointment asks for one skill of each who takes part. */
export const SKILLS = ['measuring', 'fitting', 'tailoring', 'bridal', 'beading', 'desk'] as const;
export type Skill = (typeof SKILLS)[number];

/** What a room is good for. */
export const ROOM_USES = ['fitting', 'bridal', 'step-free'] as const;
export type RoomUse = (typeof ROOM_USES)[number];

/** What must be there before an appointment begins. */
export const NEEDS = {
  brief: 'the brief written',
  toile: 'the toile ready',
  basted: 'the basted garment ready',
  altered: 'all alterations checked',
  checked: 'the last checks passed',
} as const;
export type Need = keyof typeof NEEDS;

/** Where a client stands at an appointment. */
export const STANDS_AT = ['mirror', 'tape'] as const;
export type At = (typeof STANDS_AT)[number];

export interface AppointmentKind {
  readonly id: string;
  readonly name: string;
  readonly minutes: number;
  /** for changing and pressing after it, minutes */
  readonly buffer: number;
  /** one entry for each who takes part: any of these skills will do */
  readonly hands: readonly (readonly Skill[])[];
  /** what its room must be good for; null for one that needs no room */
  readonly room: readonly RoomUse[] | null;
  readonly need: Need | null;
  /** where the client stands for it: at the mirror in the garment, at the tape, or neither */
  readonly at: At | null;
  /** false for one that is no longer offered; those booked already stand */
  readonly offered?: boolean;
}

const kind = (
  id: string,
  minutes: number,
  hands: AppointmentKind['hands'],
  more: Partial<AppointmentKind> = {},
): AppointmentKind => ({
  id,
  name: id.replaceAll('-', ' '),
  minutes,
  buffer: 10,
  hands,
  room: ['fitting'],
  need: null,
  at: null,
  ...more,
});

/** The house's kinds of appointment: minutes, hands, room and needs are house defaults (common practice, no source). */
export const KINDS: readonly AppointmentKind[] = [
  kind('consultation', 60, [['fitting']], { room: [] }),
  kind('measuring', 45, [['measuring']], { need: 'brief', at: 'tape' }),
  kind('toile-fitting', 60, [['fitting']], { need: 'toile', at: 'mirror' }),
  kind('fitting', 45, [['fitting']], { need: 'basted', at: 'mirror' }),
  kind('bridal-fitting', 90, [['bridal'], ['fitting', 'bridal']], {
    room: ['bridal'],
    need: 'basted',
    at: 'mirror',
  }),
  kind('final-fitting', 45, [['fitting']], { need: 'altered', at: 'mirror' }),
  kind('collection', 20, [['desk']], { room: null, need: 'checked' }),
  kind('alteration-intake', 20, [['desk', 'fitting']], { room: null }),
  kind('alteration-fitting', 30, [['fitting']], { at: 'mirror' }),
];

/** How an appointment stands. A moved one stands as it did, at another time, and keeps its history. */
export const STATUSES = ['offered', 'confirmed', 'arrived', 'done', 'cancelled', 'did-not-come'] as const;
export type AppointmentStatus = (typeof STATUSES)[number];

/** A status in the one word that every screen and paper uses. */
export const STATUS_WORD: Readonly<Record<AppointmentStatus, string>> = {
  offered: 'offered',
  confirmed: 'booked',
  arrived: 'arrived',
  done: 'done',
  cancelled: 'cancelled',
  'did-not-come': 'missed',
};

/** The same where it is known what the client answered: booked, and confirmed once they have said yes. */
export const statusWord = (status: AppointmentStatus, answer: string | null): string =>
  status === 'confirmed' && answer === 'yes' ? 'confirmed' : STATUS_WORD[status];

/** To what an appointment can go on from where it stands. */
export const NEXT: Readonly<Record<AppointmentStatus, readonly AppointmentStatus[]>> = {
  offered: ['confirmed', 'cancelled'],
  confirmed: ['arrived', 'done', 'cancelled', 'did-not-come'],
  arrived: ['done', 'confirmed'],
  done: ['arrived', 'confirmed'],
  cancelled: [],
  'did-not-come': ['arrived', 'confirmed'],
};

/** Whether its people and its room are kept for it. */
export const holdsTime = (s: AppointmentStatus): boolean => s !== 'cancelled' && s !== 'did-not-come';

/** What somebody of this role can usually do, until the house says otherwise. */
export const usualSkills = (role: string): readonly Skill[] =>
  role === 'seamstress' ? ['tailoring'] : role === 'desk' ? ['desk'] : ['measuring', 'fitting'];

/** The first letters of first and last name. */
export function initialsOf(name: string): string {
  const words = name.split(/\s+/).filter(Boolean);
  return [words[0], words.length > 1 ? words.at(-1) : '']
    .map((w) => [...(w ?? '')][0] ?? '')
    .join('')
    .toUpperCase();
}

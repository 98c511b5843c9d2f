/** What a client is told of an appointment, and when. */
export const MESSAGE_KINDS = [
  'confirmed',
  'offered',
  'two-days',
  'day-before',
  'moved',
  'cancelled',
] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];

/** What a message can name, each as `{field}`. Fields that are empty take their line with them. */
export const MESSAGE_FIELDS = {
  client: 'the client’s name',
  studio: 'the studio’s name',
  contact: 'how the studio is reached: address, phone, email',
  kind: 'what kind of appointment it is',
  day: 'its day, with the weekday',
  time: 'when it begins',
  room: 'its room',
  bring: 'what to bring',
  who: 'who comes along',
  times: 'the times that are offered, a line each',
  until: 'until when they are held',
  link: 'the client’s own page, to answer on',
} as const;
export type MessageField = keyof typeof MESSAGE_FIELDS;

export interface MessageWords {
  readonly subject: string;
  readonly body: string;
}

const hello = 'Dear {client},\n\n';
const bye = '\n\n{studio}\n{contact}';
/** The house's wording until it writes its own (house default). */
export const DEFAULT_WORDS: Readonly<Record<MessageKind, MessageWords>> = {
  confirmed: {
    subject: 'Your {kind} on {day}, {time}',
    body: `${hello}Your {kind} is on {day} at {time}.\nRoom: {room}\nPlease bring: {bring}
Your page: {link}${bye}`,
  },
  offered: {
    subject: 'Which time suits you?',
    body: `${hello}For your {kind} we are holding these times for you until {until}:\n{times}\nPlease choose one on your page, or tell us that none suits: {link}${bye}`,
  },
  'two-days': {
    subject: 'In two days: your {kind}',
    body: `${hello}This is a reminder of your {kind} on {day} at {time}.\nPlease bring: {bring}\nIf you can’t come, tell us on your page: {link}${bye}`,
  },
  'day-before': {
    subject: 'Tomorrow at {time}: your {kind}',
    body: `${hello}We look forward to seeing you tomorrow, {day}, at {time}.\nPlease bring: {bring}${bye}`,
  },
  moved: {
    subject: 'Your {kind} has moved to {day}, {time}',
    body: `${hello}Your {kind} is now on {day} at {time}.\nPlease bring: {bring}\nYour page: {link}${bye}`,
  },
  cancelled: {
    subject: 'Your {kind} on {day} is cancelled',
    body: `${hello}Your {kind} on {day} at {time} is cancelled.${bye}`,
  },
};

/** What stands on the client's own page, each with the fields of a message that it may name. */
export const PAGE_WORDS = {
  title: 'Your appointment',
  yours: '{client}, your {kind}',
  which: 'Which of these times suits you?',
  held: 'We hold them for you until {until}.',
  choose: 'Choose this time',
  come: 'Yes, I’ll come',
  said: 'You said yes. We look forward to seeing you.',
  cant: 'I can’t come',
  days: 'Which days or times would suit you? (optional)',
  ask: 'Ask for another time',
  asked: 'You asked for another time. The studio will contact you.',
  bring: 'Please bring: {bring}',
  cancelled: 'This appointment is cancelled.',
  over: 'This appointment is over.',
  away: 'Can’t reach the studio. What you wrote is still here. Try again in a moment.',
  notOpen: 'There is nothing left to answer. Please call the studio.',
  lapsed: 'These times are no longer held for you. Please call the studio.',
  whichTime: 'Please choose one of the times.',
} as const;
export type PageWord = keyof typeof PAGE_WORDS;
export const PAGE_WORD_IDS = Object.keys(PAGE_WORDS) as readonly PageWord[];

/** What a house has of its own in one language; the rest is said as the house says it. */
export interface InLanguage {
  readonly words: Readonly<Partial<Record<MessageKind, MessageWords>>>;
  readonly page: Readonly<Partial<Record<PageWord, string>>>;
  /** the page for measuring at home, by the id of its text */
  readonly home: Readonly<Record<string, string>>;
  /** appointment types, by their id */
  readonly kinds: Readonly<Record<string, string>>;
}

const FIELD = /\{([^{}]*)\}/g;

/** The fields a text names that there are none of, as a message has them or as it is given; empty when all exist. */
export const unknownFields = (
  text: string,
  known: Readonly<Record<string, string>> = MESSAGE_FIELDS,
): string[] => [
  ...new Set([...text.matchAll(FIELD)].map((m) => m[1]!).filter((f) => !Object.hasOwn(known, f))),
];

export type MessageValues = Readonly<Partial<Record<MessageField, string>>>;

/** The words with their fields filled in. A line of which a field is empty is left out; what a value holds is not read again. */
export const fillWords = (text: string, values: MessageValues): string =>
  text
    .split('\n')
    .filter((line) =>
      [...line.matchAll(FIELD)].every(
        (m) => (values[m[1] as MessageField] ?? '') !== '' || !Object.hasOwn(MESSAGE_FIELDS, m[1]!),
      ),
    )
    .join('\n')
    .replace(FIELD, (whole, field: string) => values[field as MessageField] ?? whole)
    .replace(/\n{3,}/g, '\n\n')
    .trim();

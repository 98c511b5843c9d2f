/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  bookedAhead: (what: string | number, bookings: string | number, andMore: string | number) =>
    `${what} still has bookings: ${bookings}${andMore}. Nothing was changed. Move them first.`,
  closed: 'The studio is closed on that day.',
  heldUntil: 'Choose how long the offered times are held.',
  heldUntilPast: 'The offered times would already be released. Choose a later time.',
  moreHands: (name: string | number, count: string | number) => `A ${name} needs ${count} of the staff.`,
  noSuchClient: 'This client was not found. Choose the client again.',
  noSuchKind: (id: string | number) =>
    `There is no appointment type called “${id}”. Choose one from the list.`,
  noSuchRoom: 'This room no longer exists.',
  noSuchStaff: 'Someone chosen is no longer on the staff.',
  notAtWork: (lacks: string | number, count: string | number) => `${lacks} ${count} not at work then.`,
  notTheirOrder: 'This order belongs to another client. Nothing was booked.',
  outsideHours: (time: string | number, until: string | number) =>
    `The studio is not open for all of ${time} to ${until} on that day.`,
  past: (day: string | number, time: string | number) => `${day}, ${time} is past. Choose a later time.`,
  room: (name: string | number, lacks: string | number, kind: string | number) =>
    `${name} does not suit ${lacks}: a ${kind} needs that.`,
  roomNeeded: (name: string | number) => `A ${name} needs a room.`,
  skill: (name: string | number, what: string | number, lacks: string | number) =>
    `A ${name} needs the skills ${what}: ${lacks} can’t cover that.`,
  staffTwice: 'The same person is chosen twice.',
} as const;

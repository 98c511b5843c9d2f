/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  closed: 'This page is closed: its day is past, or the link is incomplete. Please call the studio.',
  demoOnly: 'Only the demo simulates that sending fails. Nothing was changed.',
  noAddress: 'Letters come from the studio’s e-mail address, and there is none. Add it under Studio first.',
  noMail: 'No mail server is set up. Save its name first, then try it.',
  notOpen: 'This message has been sent or isn’t needed any more. Nothing was sent again.',
  notSent: (why: string | number) => `${why} Nothing was sent.`,
} as const;

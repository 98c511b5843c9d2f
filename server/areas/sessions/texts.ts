/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  alreadyCut: 'The cloth is cut: its measuring stays as it is.',
  closed: 'This page is closed: its time is over, or the link is incomplete. Please call the studio.',
  guardian: 'The client is under age. Nothing was saved. Enter the guardian who is present.',
  guardianOfMeasuring:
    'The client is under age, and no guardian was named in that measuring. Measure the client again.',
  noSuchClient: 'This client was not found. Nothing was saved.',
  noSuchOrder: 'This session’s order belongs to another client. Nothing was saved.',
  nothingRead: 'Nothing was read in that measuring. Measure the client again.',
  otherClient: 'This measuring session belongs to another client. Nothing was saved.',
} as const;

/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  alreadyThere: 'This name is already used. Nothing was saved. Choose another.',
  badKey: 'The Idempotency-Key must be a UUID.',
  beingSaved:
    'Someone else is saving this at the moment. What you wrote is still here. Try again in a moment.',
  changedMeanwhile:
    'Someone else saved this. Nothing was overwritten; your text is safe. Compare before saving.',
  databaseAway: 'Can’t reach the server’s records. What you wrote is still here. Try again in a moment.',
  erased: 'This client’s data was erased on request. Nothing was saved, and nothing can be added.',
  keyUsed:
    'This Idempotency-Key was used for another change, which was made as it was first sent. Send this one with a key of its own.',
  notFound: (what: string | number) => `There is no such ${what}.`,
  notFoundOrRemoved: (what: string | number) =>
    `There is no such ${what}. It may have been removed, or the address is wrong.`,
  notJson: 'What was sent is not JSON.',
  notKeepable: 'A date, number or character can’t be saved. Nothing was saved. Check it and try again.',
  notThere: 'Something chosen here no longer exists. Nothing was saved. Reload and choose again.',
  notYours: (role: string | number) =>
    `This is not open to the role “${role}”. Nothing was changed. Ask the owner.`,
  readOnly:
    'The server can’t save at the moment. Nothing was saved; what you wrote is still here. Tell the owner: the disk is full, or the database is read-only.',
  signedOut: 'You are signed out. What you wrote is still here. Sign in again.',
  tooDeep: (most: string | number) => `What was sent is more than ${most} levels deep. Nothing was saved.`,
  tookTooLong:
    'This took too long and was stopped. Nothing was changed; what you wrote is still here. Try again, or ask for less at once.',
} as const;

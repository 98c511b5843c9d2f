/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  alreadyAgreed: (revision: string | number) =>
    `Revision ${revision} is already agreed. Change a figure to start the next revision.`,
  alreadyCut: 'The cloth is cut, so the figures are locked. Nothing was changed. Add an alteration instead.',
  cannotFollow: (why: string | number) => `Nothing was set. ${why}`,
  cannotFollowImport: (why: string | number) => `Nothing was imported. ${why}`,
  cloth: (faults: string | number) => `${faults} Nothing was kept.`,
  cutAlreadyNoImport: 'This order is already cut. Nothing was imported. Create a new order for it.',
  decided: 'This was already decided. Reopen it first.',
  guardian: 'The client is under age. Nothing was imported. Enter the guardian with the client first.',
  layChanged:
    'Someone else kept a lay of this cloth meanwhile. Yours is still here: show theirs below, or keep yours again if it is the better one.',
  noStep: 'No step of a block does the same. Draft it into the sheet instead.',
  noSuchFigure: (figure: string | number) => `This sheet has no figure called “${figure}”. Nothing was set.`,
  noSuchWarning: 'This warning no longer applies. There is nothing to accept.',
  notAgreed: 'Only an agreed sheet can be cut. Agree the sheet first.',
  notDecided: 'Nothing was decided about this change yet.',
  notNow: (status: string | number) => `This alteration is ${status}; it can’t go into the sheet now.`,
  notOfTheSheet: 'This changes no panel. Leave it for the bench.',
  notThere: 'There is no such measuring of this client.',
  nothingDrafted:
    'Nothing can be drafted yet: measure what the sheet says is missing, then open the pattern again.',
  openMatters: (first: string | number) => `Not agreed. First: ${first}`,
  otherSession: 'This measuring session belongs to another order. Nothing was changed.',
} as const;

/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  agreed: 'An agreed change can’t be edited. Withdraw it with a reason, then add the new one.',
  boxesOpen: (piecesAre: string | number, pieces: string | number) =>
    `${piecesAre} still open: ${pieces}. Tick what is done, or cross it out with a reason.`,
  busy: (orderNumber: string | number) => `You are working on ${orderNumber}. Pause that job first.`,
  dayOfNobody: 'Choose a person for this day.',
  givenAway: (staffName: string | number) => `This job is assigned to ${staffName}. Nothing was changed.`,
  handedOver: 'This garment was handed over. Nothing was changed. Record its return with a reason first.',
  handedOverAlready: 'This garment was already handed over.',
  handedOverOn: (day: string | number) =>
    `This garment was handed over on ${day}. Nothing was saved. Record its return with a reason first.`,
  inTheHouse: 'This garment was not handed over, so there is no return to record.',
  inTheWay: (first: string | number) => `Not handed over. First: ${first}`,
  noPins: 'No pins are counted. There is nothing to undo.',
  noSuchClient: 'This client was not found. Nothing was saved. Choose the client again.',
  noSuchPiece: 'This alteration has no such piece. Reload and try again.',
  noSuchPoint:
    'One of the measurements does not belong to this garment. Nothing was saved. Reload and try again.',
  noSuchStaff: 'This person is not on the staff. Nothing was changed. Reload and choose again.',
  noSuchTarget:
    'One of the measurements does not belong to this alteration. Nothing was saved. Reload and try again.',
  noSuchTicket: 'No garment has this ticket. Check the code.',
  noTicket: 'This isn’t a ticket code. A code has six characters. Check it.',
  notAtTheBench: 'Pieces can be ticked only while the job is agreed and not done.',
  notMeasured: (measures: string | number) =>
    `Measure ${measures}, or enter the reason why not. Nothing was changed.`,
  notNow: (status: string | number, word: string | number) =>
    `This alteration is ${status}; it can’t be ${word} now. Nothing was changed.`,
  notOpenToRole: (role: string | number) =>
    `This is not open to the role “${role}”. Nothing was changed. Ask the owner.`,
  nothingToUndo:
    'Your last step can’t be undone any more: something was changed after it. Nothing was changed now.',
  onlyAssignersAssign: 'You can take an unassigned job. Only the owner or a fitter assigns jobs to others.',
  onlyFittersAccept: 'Only a fitter or the owner can accept what is outside tolerance. Nothing was saved.',
  otherAppointment: 'This appointment belongs to another order. Nothing was saved.',
  ownWork: 'Someone else must check this. Nothing was changed.',
  past: 'This day is past. Nothing was changed. Choose a later day.',
} as const;

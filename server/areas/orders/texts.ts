/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  alreadyCut: 'The cloth is cut, so the brief is locked. Nothing was saved. Add an alteration instead.',
  cancelled: 'This order was already cancelled. Nothing was changed.',
  clientStays:
    'This order was already measured, booked or worked on, so its client can’t be changed. Nothing was saved. Create a new order for the other client.',
  dueAfterWorn: 'The due date is after the day it is worn. Nothing was saved. Check the two dates.',
  handedOver:
    'This garment was handed over, so its order can’t be cancelled. Nothing was changed. Record its return first.',
  noSuchClient: 'This client was not found. Nothing was saved. Choose the client again.',
  noSuchStaff: 'This person is not on the staff. Nothing was saved. Choose someone else.',
  notCancelled: 'This order is not cancelled. Nothing was changed.',
  tooManyGarments: (most: string | number) =>
    `An order holds at most ${most} garments. Nothing was added. Create a new order for the rest.`,
} as const;

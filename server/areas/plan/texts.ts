/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  awayOfNobody: 'This person is not on the staff. Choose another one.',
  broughtIn: (none: string | number) => `${none} Nothing was kept.`,
  givenMeanwhile:
    'Part of this plan was taken up or moved meanwhile. Nothing was booked or given again. It is worked out anew: look, and take the rest.',
  movedMeanwhile:
    'The estimate moved since you saw it: sheet, plan, rates or prices changed. Nothing was kept. Look at it again, then keep it.',
  noPrice:
    'Nothing of this estimate has a price yet. Set the studio’s rates or write a price. Nothing was kept.',
  noSuchAppointment: 'This appointment is not booked. Choose another one.',
  noSuchOrder: 'This order is not in work. Choose another one.',
  noSuchStaff: 'Someone in this plan is not on the staff. Nothing was given. Reload the plan.',
  notOpen: (revision: string | number) =>
    `Estimate ${revision} is agreed or withdrawn already. Nothing was changed. Reload the page.`,
  notOpenForClient: (revision: string | number) =>
    `Estimate ${revision} is withdrawn or replaced already. Nothing was changed. Reload the page.`,
  nothingChosen: 'Nothing is chosen. Choose at least one step.',
  past: 'A day of this plan is past. Nothing was given. Reload the plan.',
  taken:
    'Someone took one of these times meanwhile. Nothing was booked and no work was given. The plan is worked out anew: look, and take it again.',
} as const;

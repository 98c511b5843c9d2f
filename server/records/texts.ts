/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  cancelled: (number: string | number) =>
    `Order ${number} is cancelled. Nothing was saved. Reopen the order first.`,
  lastPrincipal: 'This is the only owner, and the studio needs one. Nothing was changed.',
  manyColumns: (count: string | number, most: string | number) =>
    `This file has ${count} columns; the limit is ${most}. Nothing was imported.`,
  manyRows: (count: string | number, most: string | number) =>
    `This file has ${count} rows; the limit is ${most}. Nothing was imported. Split the file.`,
  nameTaken: (name: string | number) =>
    `${name} is already on the staff. Nothing was saved. Use a name that tells them apart.`,
  noBrief:
    'There is no sheet without a brief. Write the brief, then measure. A garment without parts has no sheet.',
  noRows: 'This file has no rows below its first line. The first line names the columns.',
  noTable: 'This is not a CSV file. Nothing was imported. Save the table as CSV and choose it again.',
  slowDown: (seconds: string | number) => `Too many wrong tries. Wait ${seconds} seconds, then try again.`,
} as const;

import { Refusal } from '../http/problem.ts';

/** PostgreSQL's and the network's words for "not there just now". */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  '57P01',
  '57P02',
  '57P03',
  '57P05',
  '08000',
  '08001',
  '08003',
  '08006',
  '53200',
  '53300',
]);
const AWAY_WORDS =
  /Connection terminated|connection error and is not queryable|timeout exceeded when trying to connect|connect(ion)? time|Client was closed/i;
/** The book can be read and not written: the disk is full, or the server only follows another one. */
const READ_ONLY = new Set(['53100', '25006', '57P04', '58030']);
/** Another transaction holds what this one needs: a lock waited for too long, a deadlock, a serialization failure. */
const IN_THE_WAY = new Set(['55P03', '40P01', '40001']);

const codeOf = (error: unknown) => (error as { code?: string }).code ?? '';

/** Whether the error says that another hand's change was in the way, so that trying again may do. */
export const inTheWay = (error: unknown): boolean => IN_THE_WAY.has(codeOf(error));

/** Whether the error says that a time is kept for something else already (an exclusion constraint). */
export const isTaken = (error: unknown): boolean => codeOf(error) === '23P01';

/** Whether it is the client who is somewhere else at that time. */
export const isClientTaken = (error: unknown): boolean =>
  isTaken(error) && (error as { constraint?: string }).constraint === 'client_once';

/** Whether the error says that the database is not there just now. */
export const isAway = (error: unknown): boolean =>
  AWAY.has(codeOf(error)) || (error instanceof Error && AWAY_WORDS.test(error.message));

/**
 * What a database error means to the one who asked, in words; null for one that is the program's own mistake.
 * Values the database will not take (class 22) and names that are taken (23505) are the asker's: 422.
 */
export function refusalOf(error: unknown): Refusal | null {
  const code = codeOf(error);
  if (READ_ONLY.has(code))
    return new Refusal(
      503,
      'read-only',
      'The studio’s book can be read but not written to just now. Nothing was saved; what you wrote is still here. Tell the owner: its disk is full or its database is set to reading only.',
    );
  if (code === '57014')
    return new Refusal(
      503,
      'took-too-long',
      'This took the studio’s book too long and was stopped. Nothing was changed; what you wrote is still here. Try again, or ask for less at once.',
    );
  // Raised by the database itself, for whoever adds to a client whose data were erased.
  if (code === 'RO001')
    return new Refusal(
      410,
      'erased',
      'This client’s data were erased on request. Nothing can be added; nothing was saved.',
    );
  if (isAway(error))
    return new Refusal(
      503,
      'database-away',
      'The studio’s book cannot be reached just now. What you wrote is kept here; try again in a moment.',
    );
  if (inTheWay(error))
    return new Refusal(
      503,
      'being-saved',
      'Somebody else is saving this just now. What you wrote is kept here; try again in a moment.',
    );
  if (/^22[0-9A-Z]{3}$/.test(code))
    return new Refusal(
      422,
      'not-keepable',
      'Something in what was sent cannot be kept: a date, a number or a character that does not exist. Check it and send again.',
    );
  if (code === '23505')
    return new Refusal(
      422,
      'already-there',
      'Something of this name is in the book already. Choose another.',
    );
  if (code === '23503')
    return new Refusal(422, 'not-there', 'What was sent names something that is not in the book.');
  return null;
}

import { codeOf, inTheWay, isAway, READ_ONLY } from '../db/error-kinds.ts';
import { Refusal } from './problem.ts';

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

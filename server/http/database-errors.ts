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
      'The server can’t save at the moment. Nothing was saved; what you wrote is still here. Tell the owner: the disk is full, or the database is read-only.',
    );
  if (code === '57014')
    return new Refusal(
      503,
      'took-too-long',
      'This took too long and was stopped. Nothing was changed; what you wrote is still here. Try again, or ask for less at once.',
    );
  // Raised by the database itself, for whoever adds to a client whose data were erased.
  if (code === 'RO001')
    return new Refusal(
      410,
      'erased',
      'This client’s data was erased on request. Nothing was saved, and nothing can be added.',
    );
  if (isAway(error))
    return new Refusal(
      503,
      'database-away',
      'Can’t reach the server’s records. What you wrote is still here. Try again in a moment.',
    );
  if (inTheWay(error))
    return new Refusal(
      503,
      'being-saved',
      'Someone else is saving this at the moment. What you wrote is still here. Try again in a moment.',
    );
  if (/^22[0-9A-Z]{3}$/.test(code))
    return new Refusal(
      422,
      'not-keepable',
      'A date, number or character can’t be saved. Nothing was saved. Check it and try again.',
    );
  if (code === '23505')
    return new Refusal(422, 'already-there', 'This name is already used. Nothing was saved. Choose another.');
  if (code === '23503')
    return new Refusal(
      422,
      'not-there',
      'Something chosen here no longer exists. Nothing was saved. Reload and choose again.',
    );
  return null;
}

import { codeOf, inTheWay, isDatabaseDown, READ_ONLY } from '../db/error-kinds.ts';
import { HttpError } from './problem.ts';
import { TEXTS } from './texts.ts';

/**
 * What a database error means to the one who asked, in words; null for one that is the program's own mistake.
 * Values the database will not take (class 22) and names that are taken (23505) are the asker's: 422.
 */
export function refusalOf(error: unknown): HttpError | null {
  const code = codeOf(error);
  if (READ_ONLY.has(code)) return new HttpError(503, 'read-only', TEXTS.readOnly);
  if (code === '57014') return new HttpError(503, 'took-too-long', TEXTS.tookTooLong);
  // Raised by the database itself, for whoever adds to a client whose data were erased.
  if (code === 'RO001') return new HttpError(410, 'erased', TEXTS.erased);
  if (isDatabaseDown(error)) return new HttpError(503, 'database-away', TEXTS.databaseAway);
  if (inTheWay(error)) return new HttpError(503, 'being-saved', TEXTS.beingSaved);
  if (/^22[0-9A-Z]{3}$/.test(code)) return new HttpError(422, 'not-keepable', TEXTS.notKeepable);
  if (code === '23505') return new HttpError(422, 'already-there', TEXTS.alreadyThere);
  if (code === '23503') return new HttpError(422, 'not-there', TEXTS.notThere);
  return null;
}

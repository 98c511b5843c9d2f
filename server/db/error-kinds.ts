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
export const READ_ONLY = new Set(['53100', '25006', '57P04', '58030']);
/** Another transaction holds what this one needs: a lock waited for too long, a deadlock, a serialization failure. */
const IN_THE_WAY = new Set(['55P03', '40P01', '40001']);

/** PostgreSQL’s code of an error, or the network’s; "" for one that has none. */
export const codeOf = (error: unknown) => (error as { code?: string }).code ?? '';

/** Whether the error says that another hand's change was in the way, so that trying again may do. */
export const inTheWay = (error: unknown): boolean => IN_THE_WAY.has(codeOf(error));

/** Whether the error says that a time is kept for something else already (an exclusion constraint). */
export const isTaken = (error: unknown): boolean => codeOf(error) === '23P01';

/** Whether it is the client who is somewhere else at that time. */
export const isClientTaken = (error: unknown): boolean =>
  isTaken(error) && (error as { constraint?: string }).constraint === 'client_once';

/** Whether the error says that the database is not there just now. */
export const isDatabaseDown = (error: unknown): boolean =>
  AWAY.has(codeOf(error)) || (error instanceof Error && AWAY_WORDS.test(error.message));

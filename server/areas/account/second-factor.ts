import { createHash, randomBytes } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import type { Db, Tx } from '../../db/pool.ts';

/** Seconds of one step, digits of a code, and how many steps a clock may be off: RFC 6238, 4.1 and 5.2 (from memory). */
const PERIOD = 30;
const DIGITS = 6;
const WINDOW = 1;
const CODES = 10;

const totpOf = (secret: string, studio: string, name: string) =>
  new TOTP({
    issuer: studio,
    label: name,
    secret: Secret.fromBase32(secret),
    algorithm: 'SHA1',
    digits: DIGITS,
    period: PERIOD,
  });

/** Recovery codes are random: 50 bits each need no slow hash. */
const hashCode = (code: string) =>
  createHash('sha256')
    .update(code.toUpperCase().replace(/[^A-Z2-7]/g, ''))
    .digest();
const newCode = () => new Secret({ buffer: new Uint8Array(randomBytes(7)).buffer }).base32.slice(0, 10);

export interface Factor {
  readonly secret: string;
  readonly onAt: Date | null;
  readonly lastStep: number;
  readonly codes: readonly Buffer[];
}

export async function readFactor(db: Db, staffId: number, hold = false): Promise<Factor | undefined> {
  const { rows } = await db.query<Factor>(
    `select secret, on_at as "onAt", last_step as "lastStep", codes from second_factor where staff_id = $1${hold ? ' for update' : ''}`,
    [staffId],
  );
  return rows[0];
}

/** A new secret that waits to be confirmed; one that is in use stays until then. */
export async function beginFactor(tx: Tx, staffId: number, studio: string, name: string) {
  const secret = new Secret({ size: 20 }).base32;
  await tx.query(
    `insert into second_factor (staff_id, secret) values ($1, $2)
     on conflict (staff_id) do update set secret = excluded.secret, made_at = now(), last_step = 0 where second_factor.on_at is null`,
    [staffId, secret],
  );
  return { secret, uri: totpOf(secret, studio, name).toString() };
}

/** The step a code is of, when it is right now and was not used before; else null. */
export function stepOf(f: Pick<Factor, 'secret' | 'lastStep'>, code: string, now: Date): number | null {
  const digits = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(digits)) return null;
  const delta = totpOf(f.secret, '', '').validate({
    token: digits,
    timestamp: now.getTime(),
    window: WINDOW,
  });
  if (delta === null) return null;
  const step = Math.floor(now.getTime() / 1000 / PERIOD) + delta;
  return step > f.lastStep ? step : null;
}

/** Turns the factor on with a first right code; answers the recovery codes, which are kept hashed only. Null for a wrong code. */
export async function confirmFactor(
  tx: Tx,
  staffId: number,
  code: string,
  now: Date,
): Promise<readonly string[] | null> {
  const f = await readFactor(tx, staffId, true);
  const step = f && f.onAt === null ? stepOf(f, code, now) : null;
  if (step === null) return null;
  const codes = Array.from({ length: CODES }, newCode);
  await tx.query('update second_factor set on_at = $2, last_step = $3, codes = $4 where staff_id = $1', [
    staffId,
    now,
    step,
    codes.map(hashCode),
  ]);
  return codes.map((c) => `${c.slice(0, 5)}-${c.slice(5)}`);
}

export const dropFactor = (db: Db, staffId: number) =>
  db.query('delete from second_factor where staff_id = $1', [staffId]);

/** Uses a code up: the authenticator's, once, or one of the recovery codes. */
export async function useCode(
  tx: Tx,
  staffId: number,
  code: string,
  now: Date,
): Promise<'right' | 'recovery' | 'wrong'> {
  const f = await readFactor(tx, staffId, true);
  if (!f) return 'wrong';
  const step = stepOf(f, code, now);
  if (step !== null) {
    await tx.query('update second_factor set last_step = $2 where staff_id = $1', [staffId, step]);
    return 'right';
  }
  const hash = hashCode(code);
  if (!f.codes.some((c) => c.equals(hash))) return 'wrong';
  await tx.query('update second_factor set codes = array_remove(codes, $2) where staff_id = $1', [
    staffId,
    hash,
  ]);
  return 'recovery';
}

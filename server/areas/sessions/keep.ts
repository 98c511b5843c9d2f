import type { ReadingsAnswer, ReadingWire, SentReading, SessionWrite } from '@rocchetto/contract';
import { printWritten, type Reading } from '@rocchetto/core';
import type { Db } from '../../db/pool.ts';
import type { SignedIn } from '../../http/context.ts';
import { HttpError } from '../../http/problem.ts';
import { type Ground, keepReadings, readingsById } from '../../records/sessions.ts';
import { TEXTS } from './texts.ts';

const says = (r: Pick<Reading, 'state' | 'written' | 'way'>) =>
  r.state === 'read' && r.written
    ? `${printWritten(r.written)}${r.way === 'whole' ? '' : ` (${r.way})`}`
    : r.state;

/** What of a reading must be the same for a repeat to be a repeat. */
const fact = (r: Pick<Reading, 'measure' | 'state' | 'written' | 'way' | 'tape' | 'replaces'>) =>
  JSON.stringify([r.measure, r.state, r.written?.value, r.written?.unit, r.way, r.tape, r.replaces]);

const otherClient = () => new HttpError(422, 'other-client', TEXTS.otherClient);

/** Why a whole batch has no ground to stand on; null when it has. */
function noGround(ground: Ground | null, session: SessionWrite): HttpError | null {
  if (!ground) return new HttpError(422, 'no-such-client', TEXTS.noSuchClient);
  if (ground.minor && !session.guardian.trim()) return new HttpError(422, 'guardian', TEXTS.guardian);
  if (!ground.orderFits) return new HttpError(422, 'no-such-order', TEXTS.noSuchOrder);
  return ground.heldBy !== null && ground.heldBy !== session.clientId ? otherClient() : null;
}

/** A reading may be so far ahead of the studio's clock, ms: two clocks are never the same to the minute. */
const AHEAD = 5 * 60_000;

/** Of what was sent: the readings that are right, each once, and the others with their sentence. */
function sorted(sent: readonly SentReading[]) {
  const refused: { id: string; sentence: string }[] = [];
  const right = new Map<string, ReadingWire>();
  for (const one of sent) {
    if ('sentence' in one) {
      refused.push(one);
      continue;
    }
    const first = right.get(one.id);
    if (!first) right.set(one.id, one);
    else if (fact(first) !== fact(one))
      refused.push({ id: one.id, sentence: 'Two readings arrived as one; the first was saved.' });
  }
  return { right, refused };
}

/**
 * Keeps a batch of readings, each judged by itself: those that are right are in the book when this returns, the
 * others come back with their sentence. One sent again is kept as it was; sent again with another figure it is
 * told so, never swallowed.
 * @throws HttpError 422 when the whole batch has no ground to stand on (client, guardian, order, session)
 */
export async function keepBatch(
  db: Db,
  session: SessionWrite,
  sent: readonly SentReading[],
  who: SignedIn,
  now: Date,
): Promise<ReadingsAnswer> {
  const { right, refused } = sorted(sent);
  const latest = now.getTime() + AHEAD;
  const isAhead = ({ at }: { readonly at: string }) => Date.parse(at) > latest;
  // A session is never later than the studio's now; a reading that is stays out, unless it is in the book already.
  const { ground, kept: fresh } = await keepReadings(
    db,
    isAhead(session) ? { ...session, at: now.toISOString() } : session,
    [...right.values()].filter((r) => !isAhead(r)),
    who,
  );
  const refusal = noGround(ground, session);
  if (refusal) throw refusal;
  const kept = [...fresh];
  for (const id of fresh) right.delete(id);
  if (right.size === 0) return { kept, refused };

  const there = new Map((await readingsById(db, [...right.keys()])).map((r) => [r.reading.id, r]));
  for (const mine of right.values()) {
    const theirs = there.get(mine.id);
    if (!theirs && isAhead(mine)) {
      refused.push({
        id: mine.id,
        sentence:
          'This reading is dated in the future. It was not saved. Check the date and time of this device, then enter it again.',
      });
      continue;
    }
    // A session of this id that another client's batch made a moment before this one.
    if (!theirs) throw otherClient();
    if (theirs.sessionId === session.id && fact(theirs.reading) === fact(mine)) kept.push(mine.id);
    else
      refused.push({
        id: mine.id,
        sentence: `This reading is saved as ${says(theirs.reading)}; ${says(mine)} did not replace it. Enter it as a new reading.`,
      });
  }
  return { kept, refused };
}

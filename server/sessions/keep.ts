import { type ReadingsAnswer, ReadingWire, type SessionWrite, sentencesOf } from '@rocchetto/contract';
import { printWritten, type Reading } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';
import type { SignedIn } from '../http/context.ts';
import { Refusal } from '../http/problem.ts';
import { groundOf, keepReadings, readingsById } from './sql.ts';

/** A reading as a tablet sent it: one of the contract's, or something with an id that is not. */
export type Sent = { readonly id: string };

const says = (r: Pick<Reading, 'state' | 'written' | 'way'>) =>
  r.state === 'read' && r.written
    ? `${printWritten(r.written)}${r.way === 'whole' ? '' : ` (${r.way})`}`
    : r.state;

/** What of a reading must be the same for a repeat to be a repeat. */
const fact = (r: Pick<Reading, 'measure' | 'state' | 'written' | 'way' | 'tape' | 'replaces'>) =>
  JSON.stringify([r.measure, r.state, r.written?.value, r.written?.unit, r.way, r.tape, r.replaces]);

/**
 * Keeps a batch of readings, each judged by itself: those that are right are in the book when this returns, the
 * others come back with their sentence. One sent again is kept as it was; sent again with another figure it is
 * told so, never swallowed.
 * @throws Refusal 422 when the whole batch has no ground to stand on (client, guardian, order, session)
 */
export async function keepBatch(
  db: Db,
  session: SessionWrite,
  sent: readonly Sent[],
  who: SignedIn,
): Promise<ReadingsAnswer> {
  const ground = await groundOf(db, session);
  if (!ground) throw new Refusal(422, 'no-such-client', 'The client of this session is not in the book.');
  if (ground.minor && !session.guardian.trim())
    throw new Refusal(
      422,
      'guardian',
      'The client is a minor: name the guardian who is present before measuring.',
    );
  if (!ground.orderFits)
    throw new Refusal(422, 'no-such-order', 'This session names an order that is not this client’s.');
  const otherClient = new Refusal(422, 'other-client', 'A session with this id belongs to another client.');
  if (ground.heldBy !== null && ground.heldBy !== session.clientId) throw otherClient;

  const refused: { id: string; sentence: string }[] = [];
  const right = new Map<string, ReadingWire>();
  for (const one of sent) {
    const read = ReadingWire.safeParse(one);
    if (!read.success)
      refused.push({ id: one.id, sentence: sentencesOf(read.error)[0] ?? 'It is not a reading.' });
    else if (right.has(read.data.id) && fact(right.get(read.data.id)!) !== fact(read.data))
      refused.push({ id: one.id, sentence: 'Two readings of one id came together; the first was taken.' });
    else right.set(read.data.id, right.get(read.data.id) ?? read.data);
  }
  const fresh = new Set(await keepReadings(db, session, [...right.values()], who));
  const repeated = [...right.values()].filter((r) => !fresh.has(r.id));
  if (repeated.length === 0) return { kept: [...fresh], refused };

  const there = new Map(
    (
      await readingsById(
        db,
        repeated.map((r) => r.id),
      )
    ).map((r) => [r.reading.id, r]),
  );
  const kept = [...fresh];
  for (const mine of repeated) {
    const theirs = there.get(mine.id);
    // A session of this id that another client's batch made a moment before this one.
    if (!theirs) throw otherClient;
    if (theirs.sessionId === session.id && fact(theirs.reading) === fact(mine)) kept.push(mine.id);
    else
      refused.push({
        id: mine.id,
        sentence: `This reading is in the book as ${says(theirs.reading)}; ${says(mine)} was not taken over it. Take it as a new reading.`,
      });
  }
  return { kept, refused };
}

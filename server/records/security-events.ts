import { SECURITY_WORDS, type SecurityEvent, type SecurityEventKind } from '@rocchetto/contract';
import type { Db } from '../db/pool.ts';

interface Happened {
  readonly what: SecurityEventKind;
  readonly staffId?: number | null;
  /** the name that was tried, where nobody is known by it */
  readonly name?: string;
  readonly address?: string;
  readonly words?: string;
}

/** Writes down what happened at the doors. Never a passphrase, a code or a link. */
export async function noteEvent(db: Db, e: Happened): Promise<void> {
  await db.query(
    'insert into security_event (what, staff_id, name, address, says) values ($1, $2, $3, $4, $5)',
    [
      e.what,
      e.staffId ?? null,
      (e.name ?? '').slice(0, 100),
      (e.address ?? '').slice(0, 60),
      JSON.stringify({ version: 1, words: (e.words ?? '').slice(0, 300) }),
    ],
  );
}

/**
 * The same, once in ten minutes for one person, address and words: a page that knocks again and again fills no book.
 */
export async function noteOnce(db: Db, e: Happened): Promise<void> {
  const { rowCount } = await db.query(
    `select 1 from (select * from security_event order by id desc limit 200) e
      where what = $1 and staff_id is not distinct from $2 and address = $3 and says ->> 'words' = $4
        and at > now() - interval '10 minutes' limit 1`,
    [e.what, e.staffId ?? null, (e.address ?? '').slice(0, 60), (e.words ?? '').slice(0, 300)],
  );
  if (rowCount === 0) await noteEvent(db, e);
}

/** Events of a page. */
const PAGE = 60;

/** What happened at the doors, the newest first, before one of them or from the newest on. */
export async function listEvents(
  db: Db,
  before: number | null,
): Promise<{ readonly events: readonly SecurityEvent[]; readonly more: boolean }> {
  const { rows } = await db.query<SecurityEvent>(
    `select e.id, to_char(e.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, e.what, coalesce(s.name, e.name) as name,
        e.address, coalesce(e.says ->> 'words', '') as words
       from security_event e left join staff s on s.id = e.staff_id
      where e.id < coalesce($1, 9223372036854775807) order by e.id desc limit ${PAGE + 1}`,
    [before],
  );
  const known = rows.filter((r) => r.what in SECURITY_WORDS);
  return { events: known.slice(0, PAGE), more: rows.length > PAGE };
}

import { readReading, type SessionDetails } from '@rocchetto/contract';
import type { Reading } from '@rocchetto/core';
import type { Db } from '../../db/pool.ts';

/** A client of the whole book with the sessions, the oldest first. */
export interface ExportClient {
  readonly id: number;
  readonly code: string;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly address: string;
  readonly note: string;
  readonly minor: boolean;
  readonly guardian: string;
  readonly sessions: readonly {
    readonly at: string;
    readonly measurer: string;
    readonly unit: 'cm' | 'in';
    readonly details: Pick<SessionDetails, 'beneath' | 'heel'>;
    readonly readings: readonly Reading[];
  }[];
}

/** So many clients are read at a time: an export never holds the whole book, nor a lock on it. */
const PAGE = 300;

/** Every client who was not erased, in the order of the book, page by page. */
export async function* everyClient(db: Db): AsyncGenerator<ExportClient> {
  for (let after = 0; ; ) {
    const { rows } = await db.query<ExportClient>({
      name: 'export-clients',
      text: `select c.id, c.code, c.name, c.phone, c.email, c.address, c.note, c.minor, c.guardian, coalesce((
          select json_agg(json_build_object('at', m.at, 'measurer', m.measurer, 'unit', m.unit, 'details', m.details,
            'readings', (select coalesce(json_agg(jsonb_build_object('id', r.id, 'measure', r.measure, 'state', r.state,
              'at', r.at, 'by', r.read_by) || r.fact order by r.seq), '[]') from reading r where r.session_id = m.id)) order by m.at)
            from session m where m.client_id = c.id), '[]') as sessions
         from client c where c.id > $1 and c.erased_at is null order by c.id limit ${PAGE}`,
      values: [after],
    });
    for (const c of rows)
      yield {
        ...c,
        sessions: c.sessions.map((s) => ({ ...s, readings: s.readings.map(readReading) })),
      };
    if (rows.length < PAGE) return;
    after = rows.at(-1)!.id;
  }
}

import { toAsked } from '@rocchetto/contract';
import { effectOf } from '@rocchetto/core/alter/effect.ts';
import {
  applyAlteration,
  CannotAlter,
  type Halves,
  halvesOf,
  type Kept,
  type Lesson,
  learnt,
  stands,
} from '@rocchetto/core/alter/index.ts';
import type { Db } from '../../db/pool.ts';
import { alterationsOfOrder } from '../../records/alterations.ts';
import { ordersTaught } from '../../records/design.ts';
import { madeSheet } from '../../records/made-sheet.ts';

/** What the fittings of a client’s other orders have shown: alterations that were made, checked and kept. */
export async function lessonsFor(db: Db, clientId: number, except: number, now: Date): Promise<Lesson[]> {
  const kept: Kept[] = [];
  for (const { id, number } of await ordersTaught(db, clientId, except)) {
    const made = await madeSheet(db, id, now);
    if (!made) continue;
    let by: Halves = halvesOf(made.sheet);
    for (const a of await alterationsOfOrder(db, id)) {
      // What went into the sheet itself is measured on it, and not made once more.
      if (!stands(a.status) && a.status !== 'in-sheet') continue;
      try {
        const next = applyAlteration(by, toAsked(a.asked), false);
        if (a.status === 'checked' || a.status === 'accepted' || a.status === 'in-sheet')
          kept.push({ order: number, moved: effectOf(made.sheet, by, next).moved });
        if (a.status !== 'in-sheet') by = next;
      } catch (error) {
        // A later revision of that sheet may have no such seam; the others still teach.
        if (!(error instanceof CannotAlter)) throw error;
      }
    }
  }
  return learnt(kept);
}

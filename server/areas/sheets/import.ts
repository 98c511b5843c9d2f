import { randomUUID } from 'node:crypto';
import {
  NO_SETTINGS,
  type ReadingWire,
  refusedIn,
  type SessionWrite,
  type Settings,
  type SpecFile,
} from '@rocchetto/contract';
import { dayIn, readLength, USUAL_SCHOOLS } from '@rocchetto/core';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import type { SignedIn } from '../../http/context.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { readHouse } from '../../records/house.ts';
import { changeBrief, readOrder } from '../../records/orders.ts';
import { keepReadings } from '../../records/sessions.ts';
import { readSheet, saveDraft } from '../../records/sheets.ts';
import { TEXTS } from './texts.ts';

/**
 * Lays a spec file into an order: its brief, its readings as a new session dated as in the file, and its
 * house rules and overrides as the next change of the sheet. The order's client and head stay.
 */
export async function importSpec(tx: Tx, orderId: number, spec: SpecFile, who: SignedIn, now: Date) {
  const refused = refusedIn(spec);
  if (refused.length > 0)
    throw new HttpError(422, 'cannot-follow', TEXTS.cannotFollowImport(refused[0]!), { problems: refused });
  const order = await readOrder(tx, orderId, true);
  if (!order) throw notFound('order');
  const sheet = await readSheet(tx, orderId);
  if (sheet?.status === 'cut') throw new HttpError(409, 'already-cut', TEXTS.cutAlreadyNoImport);
  if (order.minor && !order.guardian) throw new HttpError(422, 'guardian', TEXTS.guardian);
  await changeBrief(tx, orderId, spec.garment);
  let sessionId: string | null = null;
  if (spec.readings.length > 0) {
    sessionId = randomUUID();
    const { timeZone } = await readHouse(tx);
    const at = `${spec.session.date || dayIn(timeZone, now)}T12:00:00Z`;
    const unit = spec.readings[0]!.value.includes('in') ? 'in' : 'cm';
    const { measurer, scribe, beneath, heel, waistRule, hipRule, neckDepth, sleeveGirth, changed } =
      spec.session;
    const session = {
      id: sessionId,
      clientId: order.clientId,
      orderId,
      at,
      measurer,
      scribe,
      beneath,
      heel,
      waistRule,
      schools: {
        ...USUAL_SCHOOLS,
        ...(neckDepth ? { neckDepth } : {}),
        ...(sleeveGirth ? { sleeveGirth } : {}),
      },
      seated: false,
      cords: [] as SessionWrite['cords'],
      consent: false,
      changed,
      hipRule,
      unit,
      posture: '',
      guardian: order.guardian,
    } as const;
    const readings = spec.readings.map((r): ReadingWire => {
      const { value, by: _, ...rest } = r;
      const read = r.state === 'read' ? readLength(value, 'cm') : null;
      return {
        ...rest,
        id: randomUUID(),
        written: read?.ok ? read.written : null,
        replaces: null,
        wroteBy: who.name,
        at: r.at || at,
      };
    });
    await keepReadings(tx, session, readings, who);
  }
  const before = sheet?.settings ?? NO_SETTINGS;
  const stamp = { by: who.name, at: now.toISOString() };
  const settings: Settings = {
    version: 2,
    house: spec.house ?? before.house,
    overrides: spec.overrides.map((o) => ({ ...o, ...stamp, id: randomUUID() })),
    accepted: [],
    sessionId,
    // What came with the file was agreed elsewhere: it is in the sheet, and no work of this house.
    changes: (spec.changes ?? []).map(({ asked, by }) => ({
      alterationId: 0,
      to: 'sheet',
      asked,
      by,
      at: stamp.at,
      steps: null,
    })),
  };
  const revision = sheet ? sheet.revision + (sheet.status === 'agreed' ? 1 : 0) : 1;
  await saveDraft(tx, orderId, revision, (sheet?.version ?? 0) + 1, settings);
  await remember(tx, 'order', orderId, who.id, 'spec imported', order.brief, spec);
}

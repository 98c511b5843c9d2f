import { createHash } from 'node:crypto';
import {
  EstimateChoices,
  type EstimateView,
  type KeptEstimate,
  PlanChoices,
  timesOf,
} from '@rocchetto/contract';
import type { Sheet } from '@rocchetto/core';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { type EstimateGround, estimateOf } from '@rocchetto/core/estimate/estimate.ts';
import { movedBetween } from '@rocchetto/core/estimate/moved.ts';
import { CLOTH_NAMES, type ClothName, clothName } from '@rocchetto/core/estimate/sold.ts';
import { clothOfPiece } from '@rocchetto/core/garment/other-cloths.ts';
import { type Choices, chainOf, usualChoices } from '@rocchetto/core/plan/chain.ts';
import { workOf } from '@rocchetto/core/plan/work.ts';
import { isClosed } from '@rocchetto/core/thread/stage.ts';
import type { Db } from '../../db/pool.ts';
import { notFound } from '../../http/problem.ts';
import { readRules } from '../../records/diary/hours.ts';
import { houseBench, readHouse } from '../../records/house.ts';
import { moneyView } from '../../records/money.ts';
import { estimateChoices, keptEstimates } from './estimate-sql.ts';
import { sheetOfOrder } from './sheet.ts';
import { readPlan } from './sql.ts';

/** The cloths that something of it is cut from, as the sheet names them. */
const clothsOf = ({ pieces }: Sheet): ClothName[] =>
  CLOTH_NAMES.filter((name) => pieces.some((p) => clothName(clothOfPiece(p)) === name));

const BROUGHT_IN =
  'This garment was brought in: its price is that of its alterations, each agreed by itself. They stand under Money.';

/** What an order would cost as it stands, and the estimates that were kept. @throws HttpError 404 */
export async function viewEstimate(db: Db, orderId: number, now: Date): Promise<EstimateView> {
  const row = await readPlan(db, orderId);
  if (!row) throw notFound('order');
  // One after the other: while it is kept, all of them go through one connection.
  const { rules } = await readRules(db);
  const { bench, unit } = await houseBench(db);
  const house = await readHouse(db);
  const priced = await sheetOfOrder(db, row, now);
  const written = await estimateChoices(db, orderId);
  const kept = await keptEstimates(db, orderId);
  const money = await moneyView(db, orderId);
  const work = priced && workOf(priced.sheet);
  const plan: Choices = row.choices ?? PlanChoices.parse(usualChoices(work));
  const times = timesOf(bench, unit);
  const kinds = kindsOf(rules.kinds);
  // The whole of the work, from the beginning: what is done by now was to be paid all the same.
  const fresh = { ...row, stage: 'asked', booked: [], given: [], alterations: 0, work } as const;
  const ground = (c: Choices): EstimateGround => ({
    steps: row.broughtIn ? [] : chainOf(fresh, { ...c, done: [] }, times, kinds),
    drafted: priced !== null,
    notions: row.broughtIn ? [] : (priced?.sheet.notions ?? []),
    cloths: row.broughtIn || !priced ? [] : clothsOf(priced.sheet),
    unit: house.unit,
    rates: bench.rates,
  });
  const choices = written.choices ?? EstimateChoices.parse({});
  const estimate = estimateOf(ground(plan), choices);
  // Made another way it costs what that comes to, whatever a hand asks for this one.
  const bare = { ...choices, asked: null };
  const asIs = estimateOf(ground(plan), bare).asked;
  const would = otherWays(plan).flatMap(({ says, choices: other }) => {
    const { asked } = estimateOf(ground(other), bare);
    return asked === null || asIs === null || asked === asIs ? [] : [{ says, asked }];
  });
  const newest = kept.find((k) => k.state !== 'withdrawn');
  const { agreed, received, open } = money;
  const sheet = priced?.revision ?? null;
  return {
    version: written.version,
    stamp: stampOf({ sheet, estimate, choices }),
    order: {
      number: row.number,
      what: row.what,
      clientName: row.clientName,
      closed: isClosed(row.stage),
    },
    none: row.broughtIn ? BROUGHT_IN : null,
    choices,
    sheet,
    estimate,
    would,
    kept,
    since: newest ? movedBetween(newest.estimate, estimate) : [],
    money: { agreed, received, open },
  };
}

/** What is seen, in short. */
const stampOf = (seen: Pick<KeptEstimate, 'sheet' | 'estimate'> & { readonly choices: object }): string =>
  createHash('sha256').update(JSON.stringify(seen)).digest('base64url');

/** Other ways to make it, of those that are left. */
function otherWays(c: Choices): { readonly says: string; readonly choices: Choices }[] {
  if (c.once) return [];
  return [
    c.toile
      ? { says: 'Without a toile', choices: { ...c, toile: false } }
      : { says: 'With a toile', choices: { ...c, toile: true } },
    ...(c.fittings > 1 ? [{ says: 'One fitting fewer', choices: { ...c, fittings: c.fittings - 1 } }] : []),
    { says: 'One fitting more', choices: { ...c, fittings: c.fittings + 1 } },
    { says: 'With one visit only', choices: { ...c, once: true, toile: false } },
  ];
}

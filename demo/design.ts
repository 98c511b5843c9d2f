import { createHash } from 'node:crypto';
import { EstimateChoices } from '@rocchetto/contract';
import { cleaned } from '@rocchetto/server/areas/photos/picture.ts';
import { addPhoto } from '@rocchetto/server/areas/photos/sql.ts';
import { viewEstimate } from '@rocchetto/server/areas/plan/estimate.ts';
import {
  agreeEstimate,
  keepEstimate,
  keepEstimateChoices,
} from '@rocchetto/server/areas/plan/estimate-sql.ts';
import { remember } from '@rocchetto/server/db/history.ts';
import type { Tx } from '@rocchetto/server/db/pool.ts';
import type { SignedIn } from '@rocchetto/server/http/context.ts';
import { addLike, addQuestion, decide } from '@rocchetto/server/records/design.ts';
import { BENCH_CHANGED, changeBench, houseBench } from '@rocchetto/server/records/house.ts';
import { writeRack } from '@rocchetto/server/records/leaving.ts';
import { noteMoney } from '@rocchetto/server/records/money.ts';

/** Sketch, swatch and trim of one skirt, drawn for the demo. */
const SKETCH = `<svg xmlns="http://www.w3.org/2000/svg" width="420" height="560"><rect width="420" height="560" fill="#f6f0e2"/>
<path d="M150 90 C180 82 240 82 270 90 L280 110 C310 210 312 330 300 470 L120 470 C108 330 110 210 140 110 Z" fill="none" stroke="#3b3226" stroke-width="3"/>
<path d="M142 112 C190 122 230 122 278 112 M180 120 L176 190 M240 120 L244 190 M122 452 C190 466 236 466 298 452" fill="none" stroke="#3b3226" stroke-width="2"/>
<path d="M300 300 C330 296 352 284 372 262" fill="none" stroke="#8a3b2e" stroke-width="2"/></svg>`;
const SWATCH = `<svg xmlns="http://www.w3.org/2000/svg" width="420" height="420"><rect width="420" height="420" fill="#46525c"/>${Array.from(
  { length: 70 },
  (_, i) =>
    `<path d="M${i * 12 - 420} 420 l420 -420" stroke="${i % 2 ? '#3c4750' : '#515e69'}" stroke-width="5"/>`,
).join('')}</svg>`;

/** What stands beside the briefs: pictures, open questions, likes, prices, and what was said of money. */
export async function seedDesign(tx: Tx, staff: readonly SignedIn[], now: Date) {
  const [odile, bram, ines] = staff as [SignedIn, SignedIn, SignedIn];
  const days = (n: number) => new Date(now.getTime() - n * 86_400_000);
  const bench = {
    version: 1 as const,
    kinds: {
      'hem-straight': { price: 38 },
      'side-seams': { minutes: 75, price: 55 },
      zip: { minutes: 50, price: 45 },
    },
    signs: {},
    times: {},
    waits: {},
    rates: {
      hour: { measuring: 42, fitting: 48, tailoring: 38, bridal: 52, desk: 30 },
      notions: {
        zip: 7.5,
        button: 1.8,
        hook: 0.9,
        bone: 1.4,
        channel: 2.2,
        stay: 3.6,
        thread: 3.2,
        elastic: 2.4,
      },
      share: { work: 20, goods: 12 },
      deposit: 40,
      step: 5,
    },
  };
  const { bench: before } = await houseBench(tx);
  await changeBench(tx, bench);
  await remember(tx, 'house', 1, odile.id, BENCH_CHANGED, before, bench);
  const { rows } = await tx.query<{ id: number; clientId: number; stage: string }>(
    `select id, client_id as "clientId", stage from orders where brief::text like '%"straight-skirt"%' order by id limit 8`,
  );
  const [first, second, third] = rows;
  const add = async (orderId: number, svg: string, about: 'sketch' | 'swatch', words: string) => {
    const bytes = Buffer.from(await rasterOf(svg));
    const picture = await cleaned(bytes);
    const hash = createHash('sha256').update(bytes).digest();
    await addPhoto(tx, orderId, hash, picture, { words, about, alterationId: null }, bram.id, days(20));
  };
  for (const o of [first, second]) {
    if (!o) continue;
    await add(o.id, SKETCH, 'sketch', 'slim, to below the knee');
    await add(o.id, SWATCH, 'swatch', 'the wool twill, right side');
    await addLike(tx, o.clientId, o.id, 'a soft waistband, and pockets that hold a score', bram.id, days(18));
    const lining = await addQuestion(
      tx,
      o.id,
      {
        what: 'Does the lining take the slate or the plum?',
        decides: 'the client',
        byKind: 'fitting',
        holds: 'nothing',
      },
      bram.id,
      days(19),
    );
    await addQuestion(
      tx,
      o.id,
      {
        what: 'A kick pleat in place of the vent?',
        decides: 'the client',
        byKind: 'toile-fitting',
        holds: 'hand-over',
      },
      ines.id,
      days(12),
    );
    await decide(tx, lining, 'The slate.', 'the client', bram.id, days(9));
    await noteMoney(tx, o.id, { is: 'price', amount: 340, words: 'the skirt' }, odile.id, days(20));
    await noteMoney(tx, o.id, { is: 'received', amount: 120, words: 'deposit' }, odile.id, days(20));
  }
  if (third) await writeRack(tx, third.id, 'rail B, 12');
}

/** Estimates of two orders in work: one kept and agreed, then priced anew; one with its prices only. */
export async function seedEstimates(tx: Tx, staff: readonly SignedIn[], now: Date) {
  const [odile, bram] = staff as [SignedIn, SignedIn];
  const { rows } = await tx.query<{ id: number }>(
    `select id from orders where stage in ('sheet', 'agreed', 'measured') and jsonb_array_length(brief -> 'parts') > 1
       and not exists (select 1 from money_noted m where m.order_id = orders.id) order by id limit 2`,
  );
  const cloths = (price: number) => [
    { name: 'cloth' as const, price, quantity: null, theirs: false },
    { name: 'lining' as const, price: 14.5, quantity: null, theirs: false },
  ];
  for (const [i, { id }] of rows.entries()) {
    const priced = EstimateChoices.parse({ cloths: cloths(i === 0 ? 46 : 38) });
    await keepEstimateChoices(tx, id, priced, bram.id, now);
    if (i > 0) continue;
    const { sheet, estimate } = await viewEstimate(tx, id, now);
    const made = { version: 1 as const, sheet, until: null, words: '', estimate };
    const days = (n: number) => new Date(now.getTime() - n * 86_400_000);
    const kept = await keepEstimate(tx, id, made, bram.id, days(6));
    await agreeEstimate(tx, kept, id, 'the client', odile.id, days(5));
    await noteMoney(
      tx,
      id,
      { is: 'received', amount: estimate.deposit ?? 100, words: 'deposit' },
      odile.id,
      days(5),
    );
    const more = [{ name: 'beads sewn to the neck, bought ready', amount: 65 }];
    await keepEstimateChoices(tx, id, { ...priced, more }, bram.id, now);
  }
}

/** The picture as a camera would have it: pixels. */
async function rasterOf(svg: string): Promise<Uint8Array> {
  const { default: sharp } = await import('sharp');
  return sharp(Buffer.from(svg)).png().toBuffer();
}

import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { asLines } from '@rocchetto/core/garment/testing.ts';
import { FULL_BODY } from '@rocchetto/core/garment/testing-full-body.ts';
import { areaToCut } from '@rocchetto/core/lay/answer.ts';
import { byCloth } from '@rocchetto/core/lay/by-cloth.ts';
import { usable } from '@rocchetto/core/lay/cloth.ts';
import { layOn } from '@rocchetto/core/lay/lay.ts';
import type { LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { PLAIN_CLOTH as CLOTH } from '@rocchetto/core/lay/testing.ts';

/** What is laid together, and the least part that the pieces are to cover of it: 3 s for eleven pieces and more, 10 s for twenty and more. */
const LAID: readonly (readonly [garments: readonly string[], seconds: number, aim: number | null])[] = [
  [['day-dress-sleeved'], 3, 0.75],
  [['shirt-blouse'], 3, 0.75],
  [['princess-dress'], 3, 0.75],
  [['princess-dress'], 10, 0.8],
  [['waistcoat'], 3, 0.75],
  [['trousers'], 3, null],
  [['jacket'], 3, null],
  [['princess-coat', 'shirt-blouse'], 10, 0.8],
  [['princess-dress', 'jacket', 'trousers'], 10, 0.8],
];

/** How short lays are: what the pieces cover of them, beside the same pieces in rows, and how soon the first stands. */
export async function layBench(say: (line: string) => void) {
  for (const [garments, seconds, aim] of LAID) {
    let rows = 0;
    const pieces = garments.flatMap((id, nth): LayPiece[] => {
      const own = byCloth(
        sheetOf(
          garmentSpec(id, asLines(FULL_BODY), { garment: { cloth: { name: 'cloth', width: '150 cm' } } }),
        ),
      ).find((c) => c.of === 'outer')!;
      rows += own.rows ?? 0;
      return own.pieces.map((p) => ({ ...p, id: `${nth} ${p.id}` }));
    });
    const count = pieces.reduce((sum, p) => sum + p.count, 0);
    const from = performance.now();
    let first = 0;
    const lay = layOn('open', pieces, CLOTH, {
      seed: 1,
      now: () => performance.now(),
      time: seconds * 1000,
      better: () => {
        if (first === 0) first = performance.now() - from;
      },
    });
    if (!lay) {
      say(`lay, ${garments.join(' and ')}: none`);
      continue;
    }
    const covers = areaToCut(pieces) / (usable(CLOTH).width * lay.length);
    say(
      `lay, ${garments.join(' and ')}, ${count} pieces, ${seconds} s: ${lay.length.toFixed(1)} cm of 148, covered ${covers.toFixed(3)}${aim === null ? '' : ` (aim ${aim})`}; ${(lay.length / rows).toFixed(2)} of the same in rows; the first after ${(first / 1000).toFixed(2)} s (aim 0.5).`,
    );
  }
}

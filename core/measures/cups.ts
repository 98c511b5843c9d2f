import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';

/** A sewing cup is so much of full bust over high bust, cm: A one, B two, C three (handbook, common practice). */
const SEWING = 2.5;
const SEWING_LETTERS = 'ABCDEFGH';
/** Bra sizes: under bust in fives from 60 to 110, cups in twos from 10 (EN 13402, from memory). */
const BANDS = { step: 5, least: 60, most: 110 } as const;
const BRA_CUPS = ['AA', 'A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'] as const;
const FIRST_CUP = 10;

/** The sewing cup of full bust and high bust, to the nearest letter; null below half an A, or beyond the last letter. */
export function sewingCup(bust: Cm, high: Cm): string | null {
  return SEWING_LETTERS[Math.round((bust - high) / SEWING) - 1] ?? null;
}

/** The bra size of bust and under bust, "75 C"; null outside the table. */
export function braSize(bust: Cm, under: Cm): string | null {
  const band = Math.round(under / BANDS.step) * BANDS.step;
  const cup = BRA_CUPS[Math.floor((bust - under - FIRST_CUP) / 2 + 1e-9)];
  return cup === undefined || band < BANDS.least || band > BANDS.most ? null : `${band} ${cup}`;
}

/** Both, kept apart, each with what it is for: sentences, of one session's figures. `net`: the body by measure id, cm. */
export function cupSentences(net: (id: string) => number | null): string[] {
  const [bust, high, under] = [net('bust'), net('high-bust'), net('underbust')];
  const out: string[] = [];
  if (bust !== null && high !== null) {
    const cup = sewingCup(cm(bust), cm(high));
    out.push(
      `Sewing cup ${cup ?? 'outside A to H'}: bust ${say(bust)} less high bust ${say(high)} is ${say(bust - high)}, ${say(SEWING)} a letter. It chooses a bodice pattern and its dart; it is no bra size.`,
    );
  }
  if (bust !== null && under !== null) {
    const size = braSize(cm(bust), cm(under));
    out.push(
      `Bra size ${size ?? 'outside the table'}: bust ${say(bust)} less under bust ${say(under)} is ${say(bust - under)} (EN 13402, from memory). For buying a bra or cups; nothing is drafted by it.`,
    );
  }
  return out;
}

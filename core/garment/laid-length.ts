import type { Panel } from '../draft/panel.ts';
import type { Cm } from '../units/length.ts';

/** Outer cloths beside the order's own, in the order in which the brief has them. */
export const OTHERS = ['second', 'third', 'fourth'] as const;
/** The cloths of a garment that are laid each for itself. */
export const CLOTHS = ['outer', ...OTHERS, 'underlining', 'lining', 'interfacing'] as const;
export type ClothId = (typeof CLOTHS)[number];
export type OtherId = (typeof OTHERS)[number];
/** What each is called on paper, before its own name. */
export const CLOTH_NAME = {
  outer: 'cloth',
  second: 'second cloth',
  third: 'third cloth',
  fourth: 'fourth cloth',
  underlining: 'underlining',
  lining: 'lining',
  interfacing: 'interfacing',
} as const satisfies Record<ClothId, string>;

/** What a kept lay takes of a cloth, and the panels that it was made for. */
export interface LaidLength {
  readonly of: ClothId;
  readonly name: string;
  readonly length: Cm;
  readonly width: Cm;
  readonly panels: string;
}

/**
 * What panels are known by: of the same outlines, counts and allowances it is the same, of others another (FNV-1a, 53 bits
 * of two halves; to a hundredth of a centimetre). It tells whether a lay was made for these panels; it hides nothing.
 */
export function panelsMark(panels: readonly Panel[]): string {
  let [a, b] = [0x811c9dc5, 0x1000193];
  const eat = (n: number) => {
    a = Math.imul(a ^ (n & 0xffff), 0x01000193) >>> 0;
    b = Math.imul(b ^ (n >>> 0), 0x85ebca6b) >>> 0;
  };
  const say = (text: string) => {
    for (let i = 0; i < text.length; i++) eat(text.charCodeAt(i));
  };
  for (const p of panels) {
    say(`${p.id} ${p.cut} ${p.grain} ${p.up ?? ''}`);
    eat(p.count);
    for (const e of p.edges) {
      eat(Math.round(e.allowance * 100));
      for (const s of e.path) for (const [x, y] of s) eat(Math.round(x * 100) * 31 + Math.round(y * 100));
    }
    for (const d of p.darts)
      for (const [x, y] of [...d.legs, d.tip]) eat(Math.round(x * 100) * 31 + Math.round(y * 100));
  }
  return `${a.toString(16).padStart(8, '0')}${b.toString(16).padStart(8, '0')}`;
}

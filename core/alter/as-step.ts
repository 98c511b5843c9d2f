import type { Figure } from '../figure/figure.ts';
import { placed } from '../garment/joins.ts';
import { STEPS, type StepId } from '../garment/steps.ts';
import { cm } from '../units/length.ts';
import type { Asked } from './asked.ts';
import { isPlain } from './carry.ts';

/** A step of the client’s block that does what a change asks: on which part of the brief, and whether its amount is less. */
export interface AsStep {
  readonly step: StepId;
  readonly part: number;
  /** −1 where the step takes the amount off, 1 where it adds it */
  readonly sign: 1 | -1;
}

/** Figures of a part that its hem hangs on, by the ends of their ids. */
const HEM = ['hem-front', 'below', 'inseam'];

/**
 * The steps by which a block is adapted to what was agreed, so that the next garment of the client starts from it; null
 * where no step says the same.
 */
export function asSteps(
  asked: Asked,
  parts: readonly { readonly part: string }[],
  figures: readonly Pick<Figure, 'id'>[],
): AsStep[] | null {
  const { kind, direction, amount, side, face, hem } = asked;
  if (amount === null || side !== 'both' || hem || !isPlain(asked)) return null;
  const on = (name: string) =>
    placed(parts.map((p) => p.part)).flatMap(({ index, key }) =>
      figures.some((f) => f.id === `${key}.${name}`) ? [{ index, key }] : [],
    );
  const each = (step: StepId, name: string, sign: 1 | -1): AsStep[] =>
    on(name).map(({ index }) => ({ step, part: index, sign }));
  const { min, max } = STEPS.longer.amount!;
  const found = ((): AsStep[] => {
    switch (kind.id) {
      case 'hem-straight':
        return face !== null || amount * direction.sign < min || amount * direction.sign > max
          ? []
          : [...HEM.flatMap((n) => each('longer', n, direction.sign)), ...topsLonger(on, direction.sign)];
      case 'neckline-lower':
      case 'neckline-raise':
        return [
          ...(face === 'back' ? [] : each('neck-deeper', 'neck-front', neg(direction.sign))),
          ...(face === 'front' ? [] : each('neck-deeper-back', 'neck-back', neg(direction.sign))),
        ];
      case 'armhole-lower':
      case 'armhole-raise':
        return face !== null ? [] : each('armhole-lower', 'armhole-depth', neg(direction.sign));
      default:
        return [];
    }
  })();
  const fits = found.every(({ step, sign }) => {
    const range = STEPS[step].amount!;
    return cm(amount * sign) >= range.min - 1e-9 && amount * sign <= range.max + 1e-9;
  });
  return found.length > 0 && fits ? found : null;
}
const neg = (s: 1 | -1): 1 | -1 => (s === 1 ? -1 : 1);
/** A top is as long as its one length; a sleeve’s length is no hem of the garment. */
const topsLonger = (on: (name: string) => { index: number; key: string }[], sign: 1 | -1): AsStep[] =>
  on('length').flatMap(({ index, key }) =>
    /^(top|overskirt)/.test(key) ? [{ step: 'longer' as const, part: index, sign }] : [],
  );

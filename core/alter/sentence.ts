import type { Cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Box } from './apply.ts';
import { type Asked, isFold, totalOf } from './asked.ts';

const SIDE = { both: '', left: ', left side only', right: ', right side only' } as const;

/**
 * An alteration as one sentence to be read back: what, where, how much as it was written and in all, where it runs to
 * nothing. Converted lengths stay open until the unit is known.
 * @param written the amount as the hand wrote it; '' where none was
 */
export function alterationSentence(asked: Asked, written: string): string {
  const { kind, direction, part, side, face, run, hem } = asked;
  const where = [face && `at the ${face}`, part && `on the ${part}`].filter(Boolean).join(' ');
  const named = `${kind.name}${where ? `, ${where}` : ''}`;
  // Where there is only one way, the kind’s own name says it.
  const head = kind.directions.length === 1 ? named : `${named}: ${direction.word}`;
  const total = Math.abs(totalOf(asked));
  const amount = hem
    ? ` front ${say(hem.front)}, left ${say(hem.left)}, right ${say(hem.right)}, back ${say(hem.back)}`
    : written === ''
      ? ''
      : !isFold(asked)
        ? ` ${written}`
        : asked.as === 'pinned'
          ? ` ${written} as pinned, ${say(total)} as the total`
          : ` ${written} as the total`;
  const places = [
    run.begins !== null && `from nothing at ${say(run.begins)}`,
    run.fullFrom !== null && `full from ${say(run.fullFrom)}`,
    run.fullTo !== null && `to ${say(run.fullTo)}`,
    run.zero !== null && `to nothing at ${say(run.zero)}`,
  ].filter(Boolean);
  const share =
    asked.frontShare === null || asked.frontShare === 0.5
      ? ''
      : `; the front takes ${Math.round(asked.frontShare * 100)} %, the back the rest`;
  return `${head[0]!.toUpperCase()}${head.slice(1)}${amount}${SIDE[side]}${places.length > 0 ? `, ${places.join(', ')}` : ''}${share}.`;
}

const LAYER = {
  outer: '',
  underlining: ' underlining',
  lining: ' lining',
  interfacing: ' interfacing',
} as const;

/** What one box asks of the bench: "side seam of the front, 0.5 cm off each of 2 edges". */
export function boxSentence(
  b: Pick<Box, 'piece' | 'layer' | 'seam' | 'edges' | 'each' | 'even' | 'side'>,
): string {
  const layer = b.piece.includes(b.layer) ? '' : LAYER[b.layer];
  const side = b.side === 'both' ? '' : ` ${b.side}`;
  const where = `${b.seam} of the ${b.piece}${layer}`;
  if (b.each === null) return where;
  const by = b.each as Cm;
  const amount = `${b.even ? '' : 'at most '}${say(Math.abs(by))} ${by < 0 ? 'off' : 'on'}`;
  return b.edges === 1 ? `${where},${side} ${amount}` : `${where}, ${amount} each of ${b.edges} edges`;
}

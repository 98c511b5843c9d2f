import { inWords } from '../text/in-words.ts';
import { type Cm, cm } from '../units/length.ts';
import { formatSentence, say } from '../units/print.ts';
import { type Asked, isFold, isShared, totalOf } from './asked.ts';
import type { Box } from './boxes.ts';

const SIDE = { both: '', left: ', left side only', right: ', right side only' } as const;

/** A length in the unit of the hand that asked; open until the unit is known where no hand wrote one. */
const inHand =
  (unit: Asked['unit']) =>
  (length: Cm): string =>
    unit ? formatSentence(say(length), unit) : say(length);

/** How much, and of what it is the amount. */
function amountWords(asked: Asked, written: string): string {
  if (written === '') return '';
  const { kind, as, side } = asked;
  const fold = isFold(asked);
  const twice = () => inHand(asked.unit)(cm(Math.abs(totalOf({ ...asked, as: 'fold' }))));
  if (as === 'fold') return ` ${written} pinned, ${twice()} altogether`;
  if (!isShared(kind))
    return !fold
      ? ` ${written}`
      : as === 'pinned'
        ? ` ${written} pinned, ${twice()} altogether`
        : ` ${written} altogether`;
  const each = kind.moves.some((m) => m.do === 'edge') ? 'seam' : 'dart';
  switch (as) {
    case 'pinned':
      return fold ? ` ${written} pinned at each ${each}` : ` ${written} at each edge`;
    case 'seam':
      return ` ${written} altogether at each ${each}`;
    case 'side':
      return ` ${written} altogether on ${side === 'both' ? 'each' : 'that'} side`;
    default:
      return ` ${written} altogether${side === 'both' ? ' round the garment' : ''}`;
  }
}

/** Marks round a hem, each where it was marked. */
function marksWords({ hem, legs, unit }: Asked): string {
  const p = inHand(unit);
  if (legs)
    return (['left', 'right'] as const)
      .map((leg) => {
        const m = legs[leg];
        return ` ${leg} leg front ${p(m.front)}, inside ${p(m.inside)}, back ${p(m.back)}, outside ${p(m.outside)}`;
      })
      .join(';');
  return hem ? ` front ${p(hem.front)}, left ${p(hem.left)}, right ${p(hem.right)}, back ${p(hem.back)}` : '';
}

/**
 * An alteration as one sentence to be read back: what, where, how much as it was written and of what it is the amount,
 * where it runs to nothing, what else was agreed. Lengths in the unit of the hand that asked.
 * @param written the amount as the hand wrote it; '' where none was
 */
export function alterationSentence(asked: Asked, written: string): string {
  const { kind, direction, part, side, face, run, hem, legs } = asked;
  const p = inHand(asked.unit);
  const where = [face && `at the ${face}`, part && `on the ${part}`].filter(Boolean).join(' ');
  const named = `${kind.name}${where ? `, ${where}` : ''}`;
  // Where there is only one way, the kind’s own name says it.
  const head = kind.directions.length === 1 ? named : `${named}: ${direction.word}`;
  const amount = hem || legs ? marksWords(asked) : amountWords(asked, written);
  const places = [
    run.begins !== null && `from nothing at ${p(run.begins)}`,
    run.fullFrom !== null && `full from ${p(run.fullFrom)}`,
    run.fullTo !== null && `to ${p(run.fullTo)}`,
    run.zero !== null && `to nothing at ${p(run.zero)}`,
  ].filter(Boolean);
  const share =
    asked.frontShare === null || asked.frontShare === 0.5
      ? ''
      : `; the front takes ${Math.round(asked.frontShare * 100)} %, the back the rest`;
  const more = (kind.details ?? []).flatMap(({ id, label }) =>
    asked.details?.[id] ? [`${label} ${asked.details[id]}`] : [],
  );
  const rest = [...more, ...(asked.byHand ? ['sewn by hand'] : [])];
  const note = asked.note ? ` Note: ${asked.note.replace(/[.\s]+$/, '')}.` : '';
  return `${head[0]!.toUpperCase()}${head.slice(1)}${amount}${SIDE[side]}${places.length > 0 ? `, ${places.join(', ')}` : ''}${share}${rest.length > 0 ? `; ${rest.join(', ')}` : ''}.${note}`;
}

/**
 * What an amount comes to while it is asked: at how many edges, and all round; '' where it is no girth.
 * "⅛ in pinned at each side seam: ⅛ in at each of 4 edges, ½ in all round."
 */
export function amountSaid(
  asked: Asked,
  boxes: readonly Box[],
  written: string,
  ringOf: (panel: string) => string = (panel) => panel.split('.')[0]!,
): string {
  if (!isShared(asked.kind) || asked.amount === null) return '';
  const own = boxes.filter((b) => b.layer === 'outer' && b.each !== null && b.piece !== '');
  const first = own[0];
  if (!first || own.some((b) => Math.sign(b.each!) !== Math.sign(first.each!))) return '';
  const p = inHand(asked.unit);
  const girth = own.filter((b) => b.seam !== 'length' && !/facing|band/.test(b.piece));
  const by = (b: Box) => Math.abs(b.each!);
  const edges = girth.reduce((n, b) => n + b.edges, 0);
  const dart = asked.kind.moves.some((m) => m.do === 'dart' || m.do === 'dart-new');
  const what = dart ? (edges === 1 ? 'dart' : 'darts') : edges === 1 ? 'edge' : 'edges';
  const same = girth.every((b) => Math.abs(by(b) - by(first)) < 1e-9);
  const each = same
    ? edges === 1
      ? `${p(cm(by(first)))} at one ${what}`
      : `${p(cm(by(first)))} at each of ${edges} ${what}`
    : inWords([...new Set(girth.map((b) => `${p(cm(by(b)))} at the ${b.piece}`))]);
  // What goes round the body is told for each ring of panels by itself.
  const rings = new Map<string, number>();
  for (const b of girth) rings.set(ringOf(b.panel), (rings.get(ringOf(b.panel)) ?? 0) + b.edges * by(b));
  const [round, ...others] = [...rings.values()];
  const alike = others.every((o) => Math.abs(o - round!) < 0.01);
  const where = asked.side === 'both' ? 'all round' : `in all on the ${asked.side}`;
  const total = alike ? `, ${p(cm(round!))} ${where}${others.length > 0 ? ', on each part' : ''}` : '';
  return `${written}${asked.as === 'pinned' && isFold(asked) ? ' pinned' : ''}: ${each}${total}.`;
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
  // “zip replaced” is of the zip by its own words.
  const named = b.seam.includes(',') && !b.seam.endsWith(',') ? `${b.seam},` : b.seam;
  const where = b.seam.includes(b.piece) ? `${b.seam}${layer}` : `${named} of the ${b.piece}${layer}`;
  if (b.each === null) return where;
  const by = b.each as Cm;
  const amount = `${b.even ? '' : 'at most '}${say(Math.abs(by))} ${by < 0 ? 'off' : 'on'}`;
  return b.edges === 1 ? `${where},${side} ${amount}` : `${where}, ${amount} each of ${b.edges} edges`;
}

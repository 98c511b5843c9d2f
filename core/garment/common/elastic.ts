import { bodyTerms, buildFigure, term } from '../../figure/build.ts';
import type { Figure, Notion } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import { choice, type Fields } from '../fields.ts';
import type { PartContext } from '../part.ts';

/** An elastic at the waist is this much shorter than the waist where she has not tried it, cm (common practice: 1 in). */
const SHORTER = cm(2.5);
/** What a casing takes beyond the width of its elastic: half a centimetre of room and the turned edge, cm (common practice). */
const CASING_MORE = 1.5;

/** The elastic of a pulled-on waist: as she likes it, else a little less than her waist. */
export function waistElastic(c: PartContext, liked: Cm | null): Figure {
  const waist = c.measured.get('waist');
  const base = {
    id: c.id('elastic'),
    section: c.key,
    name: 'elastic, joined',
    group: 'band' as const,
    nearest: true,
    follows: (v: Cm) => (v > 0 ? null : 'Enter a length over 0.'),
  };
  if (liked !== null)
    return buildFigure(c, {
      terms: [term('style', 'as the client likes it', liked, 'Tried round the waist, from the brief.')],
      ...base,
    });
  if (waist?.net == null) return buildFigure(c, { terms: [], known: false, ...base });
  return buildFigure(c, {
    terms: [
      ...bodyTerms(waist),
      term(
        'take',
        'to hold',
        -c.stepped(SHORTER),
        'An inch less than the waist (common practice); try it round the waist.',
      ),
    ],
    ...base,
  });
}

/** What a brief says of its elastic. */
interface ElasticValues {
  readonly casing: Cm;
  readonly elasticOn: 'casing' | 'sewn';
}
/** The allowance at a waist that is turned down over its elastic: as a casing, or with it once it is sewn to the edge, cm. */
export const casingAllowance = (c: PartContext, v: ElasticValues): Cm =>
  v.elasticOn === 'sewn' ? v.casing : cm(v.casing + c.stepped(cm(CASING_MORE)));
/** How the waist of a piece is made, in words. */
export const casingWords = (v: ElasticValues): string =>
  v.elasticOn === 'sewn'
    ? 'the elastic is sewn to the edge of the waist and turned down with it'
    : 'the waist is turned down as a casing for the elastic';
/** The name of that allowance. */
export const casingName = (v: ElasticValues): string =>
  v.elasticOn === 'sewn' ? 'waist, turned down with its elastic' : 'casing at the waist';

/** What a brief asks of an elastic in a casing at the waist. */
export const ELASTIC_FIELDS = {
  casing: { kind: 'length', label: 'Width of the elastic', min: 0.5, max: 10, default: '3 cm' },
  elasticOn: choice('The elastic is', [
    ['casing', 'in a casing'],
    ['sewn', 'sewn on and turned down'],
  ]),
  elastic: {
    kind: 'length',
    label: 'Elastic as the client likes it',
    hint: `held round the waist; leave empty for ${p(2.5)} less than the waist`,
    min: 30,
    max: 180,
    default: null,
  },
} as const satisfies Fields;

/** The elastic laid ready: its figure and what its overlapped seam takes. */
export const elasticNotion = (c: PartContext, elastic: Figure, width: Cm): Notion => ({
  name: 'elastic for the waist',
  length: elastic.marked === null ? null : cm(elastic.marked + c.stepped(cm(2))),
  note: `${p(width)} wide; the figure and its own overlapped seam; marked in quarters`,
});

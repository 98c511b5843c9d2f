import { TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import type { Measured } from '../../../measures/session.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say } from '../../../units/print.ts';
import { cupQuarters } from '../../common/bodice/cup-quarters.ts';
import { figuresOf } from '../../common/figures-of.ts';
import type { LineWanted } from '../../lines.ts';
import type { GarmentContext, PartContext } from '../../part.ts';
import { type EaseZone, easeFor } from '../../tables/fit.ts';
import type { BonedValues } from './fields.ts';

/** Heights above the waist, and widths, of a boned bodice as marked. Lengths cm. */
export interface BonedPlan {
  readonly figures: readonly Figure[];
  readonly marked: {
    readonly bust: Cm;
    readonly underbust: Cm;
    readonly front: Cm;
    readonly side: Cm;
    readonly back: Cm;
    readonly apex: Cm;
    readonly below: Cm;
  } | null;
}

/** Without a reading the underbust lies this far below the bust line, cm (common practice: 7 to 8). */
const UNDERBUST_BELOW = 7.5;

/** A firm tape has drawn the waist in already. */
export const readFirm = (measured: ReadonlyMap<string, Measured>): boolean =>
  measured.get('waist')?.readings.some((r) => r.state === 'read' && r.tape === 'firm') ?? false;

/** The lines of a boned bodice: its own ease, and the layers that lie beneath. */
export function bonedLines(
  v: BonedValues,
  { input, measured }: Pick<GarmentContext, 'input' | 'measured'>,
): LineWanted[] {
  const layers = ['boning' as const, ...(v.underlined ? (['underlining'] as const) : [])];
  const boned = (zone: EaseZone) => easeFor(zone, 'boned', input.brief.school, 'shoulder', input.house.ease);
  const firm = readFirm(measured);
  const drawnIn: LineWanted['ease'] =
    v.reduction > 0 && !firm
      ? {
          ease: -v.reduction as Cm,
          because:
            'Drawn in as agreed with the client; never more than the client can breathe, sit and eat in.',
        }
      : firm
        ? { ease: 0 as Cm, because: 'Read with a firm tape: the reading already holds the reduction.' }
        : boned('waist');
  return [
    { zone: 'bust', needed: true, sharedBy: cupQuarters, ease: boned('bust'), layers },
    { zone: 'underbust', needed: true, ease: boned('underbust'), layers },
    { zone: 'waist', needed: true, ease: drawnIn, layers },
    // What would be pressed out of a tight lower edge has nowhere to go: the tummy is never reduced.
    ...(v.below > 0
      ? [
          { zone: 'tummy' as const, needed: false, ease: boned('tummy'), layers },
          { zone: 'hip' as const, needed: false, ease: boned('hip'), layers },
        ]
      : []),
  ];
}

/** On an average bust the upper cup line is this much shorter than the lower, cm (common practice). */
const CUP_SHORTER = 1.3;
/** An upper edge that differs from the rule by no more lies as well, cm (house figure). */
export const CUP_MAY_DIFFER = 2;

/** The line over the bust point, from under the bust up to it and from it to the upper edge. */
function cupLine(
  c: PartContext,
  v: BonedValues,
  make: ReturnType<typeof figuresOf>['make'],
  bust: Figure,
  underbust: Figure,
) {
  const lower = make(
    'cup-lower',
    'cup line, under bust to bust point',
    bust.marked === null || underbust.marked === null
      ? null
      : [
          term('body', 'bust line', bust.marked, 'As marked.'),
          term('take', 'under bust', -underbust.marked, 'As marked.'),
        ],
    { settable: [] },
  );
  const upper = make(
    'cup-upper',
    'cup line, bust point to the upper edge, by the rule',
    lower.marked === null
      ? null
      : [
          term('body', 'lower cup line', lower.marked, 'As marked.'),
          ...(v.cup === 'average'
            ? [
                term(
                  'take',
                  'shorter',
                  -c.stepped(cm(CUP_SHORTER)),
                  'Half an inch on an average bust, nothing on a full one, so that the edge lies close (common practice).',
                ),
              ]
            : []),
        ],
    { settable: [] },
  );
  return upper;
}

/** Heights above the waist and widths of a boned bodice as marked, cm, each with its terms. */
export function planBoned(c: PartContext, v: BonedValues): BonedPlan {
  const { figures, net, bodyOf, make } = figuresOf(c, {
    group: 'level',
    tolerance: TOLERANCE.detail,
    follows: (value) => (value > 0 ? null : 'Enter a height over 0.'),
  });
  const [front, toBust] = [net('neck-to-waist-front'), net('neck-to-bust')];
  const bust = make(
    'bust-height',
    'bust line above the waist',
    bodyOf('bust-to-waist') ??
      (front !== null && toBust !== null
        ? [
            term('body', 'side-neck to waist, front', front, 'As read.'),
            term('take', 'side-neck to bust point', -toBust, 'As read.'),
          ]
        : null),
  );
  const under = net('bust-to-underbust');
  const underbust = make(
    'underbust-height',
    'under bust above the waist',
    bodyOf('underbust-to-waist') ??
      (bust.marked === null
        ? null
        : [
            term('body', 'bust line', bust.marked, 'As marked.'),
            term(
              'take',
              'bust to under bust',
              -(under ?? UNDERBUST_BELOW),
              under === null ? `Not measured: ${say(7.5)} (common practice).` : 'As read.',
            ),
          ]),
    { estimated: net('underbust-to-waist') === null && under === null },
  );
  const upper = cupLine(c, v, make, bust, underbust);
  const toTop = net('apex-to-top');
  const top = make(
    'top-front',
    'upper edge above the waist, over the bust point',
    bodyOf('corset-top-front') ??
      (bust.marked === null
        ? null
        : [
            term('body', 'bust line', bust.marked, 'As marked.'),
            term(
              'add',
              'bust point to the top',
              toTop ?? upper.marked ?? 7,
              toTop === null ? 'Not measured: the upper cup line.' : 'As read.',
            ),
          ]),
    { estimated: net('corset-top-front') === null },
  );
  const underarm = net('underarm-to-waist');
  const side = make(
    'top-side',
    'upper edge above the waist, side',
    bodyOf('corset-top-side') ??
      (underarm === null
        ? null
        : [
            term(
              'body',
              'underarm to waist',
              underarm,
              `The side height is read from ${say(2.5)} below the armpit: there the edge does not cut when the arm hangs (common practice).`,
            ),
          ]),
    { estimated: net('corset-top-side') === null },
  );
  const back = make(
    'top-back',
    'upper edge above the waist, centre back',
    bodyOf('corset-top-back') ??
      (side.marked === null
        ? null
        : [
            term('body', 'upper edge, side', side.marked, 'As marked.'),
            term(
              'take',
              'lower at the back',
              -3,
              `Not measured: ${say(3)} lower than at the side (common practice).`,
            ),
          ]),
    { estimated: net('corset-top-back') === null },
  );
  const span = net('apex-span');
  const apex = make(
    'apex',
    'bust point, half span',
    span === null
      ? null
      : [...bodyOf('apex-span')!, term('share', 'half of it', -span / 2, 'The panel is half a front.')],
    { group: 'length' },
  );
  const below =
    v.below > 0 && !c.below
      ? make('below', 'goes on below the waist', [term('style', 'from the brief', v.below, 'As briefed.')])
      : null;
  const all = [bust, underbust, top, side, back, apex];
  return {
    figures,
    marked: all.some((f) => f.marked === null)
      ? null
      : {
          bust: bust.marked!,
          underbust: underbust.marked!,
          front: top.marked!,
          side: side.marked!,
          back: back.marked!,
          apex: apex.marked!,
          below: below?.marked ?? (0 as Cm),
        },
  };
}

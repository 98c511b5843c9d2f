import { edgeLength } from '../../../draft/measure.ts';
import { judge, missing, type RawCheck } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { halfOverlap } from '../../common/bodice/closing.ts';
import { emptyView, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, pieces } from '../../common/skirt-cutting.ts';
import { left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { type CollarDraft, type CollarValues, draftCollar, FIELDS } from './draft.ts';

/** A stand goes round the neck with at least this to spare, cm (common practice: two fingers). */
const ROUND_NECK = 2;

/** A collar on the neckline of what it joins: a stand, a flat one, or a fall on a stand. */
export const collar = definePart({
  id: 'collar',
  name: 'collar',
  key: 'collar',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  joins: { gives: [], takes: [{ edge: 'neck', needed: true }], givenUp: [] },
  wants: (v) => ({ needs: [], helps: v.kind === 'flat' ? [] : ['neck-base', 'neck-mid'] }),
  leaves: () =>
    left(
      true,
      ['neck-base', 'neck-mid'],
      'The collar is cut to the neckline as it is sewn: held against it.',
    ),
  lines: () => [],
  draft: draftCollar,
  figures: (_, __, d) => [d.half, d.depth, ...(d.stand ? [d.stand] : []), ...d.measured],
  checks: collarChecks,
  picture: collarPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'collar'),
    notions: v.kind === 'shirt' ? [{ name: 'collar button', length: null, note: 'on the stand' }] : [],
    allowances: allowanceList(c, [['collar edges', 'neck']]),
    cautions: [],
  }),
});

function collarChecks(c: PartContext, v: CollarValues, d: CollarDraft): RawCheck[] {
  if (d.half.finished === null)
    return [
      missing(
        `absent-${d.half.id}`,
        d.half.id,
        'The collar waits for its neckline: what it joins is not drafted yet.',
      ),
    ];
  const found: RawCheck[] = [];
  const neck = c.measured.get('neck-mid')?.net ?? c.measured.get('neck-base')?.net ?? null;
  if (v.kind !== 'flat' && neck !== null) {
    const round = cm(2 * d.half.finished);
    found.push(
      judge(
        round >= neck + ROUND_NECK - 1e-9,
        c.id('neck'),
        d.half.id,
        `The collar goes ${p(round)} round, the neck is ${p(neck)}: ${round >= neck + ROUND_NECK ? 'two fingers pass' : `it needs ${p(cm(ROUND_NECK))} more than the neck, widen or lower the neckline`}.`,
      ),
    );
  }
  found.push(...seamChecks(c, v, d));
  if (v.kind !== 'flat' && d.depth.marked !== null) {
    const stand = d.stand?.marked ?? d.depth.marked;
    found.push(
      judge(
        stand <= 6,
        c.id('stand'),
        d.stand?.id ?? d.depth.id,
        `The stand is ${p(stand)} deep${stand <= 6 ? '' : ': it would push at the chin; try it at the fitting'}.`,
      ),
    );
  }
  return found;
}

/** A stand may differ from its neckline by this each half, a fall from its stand's upper edge by these, cm (common practice). */
const STAND_WITHIN = 0.2;
const FALL = { least: -0.5, most: 0.3 } as const;
/** A fall covers its stand where it is deeper by this, cm (common practice). */
const COVERS = 0.8;

/** The collar's seams as they lie on its panels, and whether a fall covers its stand. */
function seamChecks(c: PartContext, v: CollarValues, d: CollarDraft): RawCheck[] {
  const [under, fall] = d.pieces;
  if (!under || v.kind === 'flat') return [];
  const laps = halfOverlap(c);
  const [neck, wanted] = [edgeLength(under, 'neck'), d.half.finished! + laps];
  const goesOn = laps > 0 ? ` and ${p(laps)}, half of the overlap` : '';
  const stand = judge(
    Math.abs(neck - wanted) <= STAND_WITHIN + 1e-9,
    c.id('stand-seam'),
    d.half.id,
    `Half of the stand’s seam is ${p(neck)}, half of the neckline ${p(d.half.finished!)}${goesOn}.`,
  );
  if (!fall || d.stand?.marked == null || d.depth.marked === null) return [stand];
  const [seam, edge] = [edgeLength(fall, 'neck'), cm(edgeLength(under, 'outer') - laps)];
  const deeper = cm(d.depth.marked - d.stand.marked);
  return [
    stand,
    judge(
      seam - edge >= FALL.least - 1e-9 && seam - edge <= FALL.most + 1e-9,
      c.id('fall-seam'),
      c.id('fall-edge'),
      `Half of the fall’s seam is ${p(seam)}, the stand’s upper edge up to the centre front ${p(edge)}.`,
    ),
    judge(
      deeper >= COVERS - 1e-9,
      c.id('fall-covers'),
      d.depth.id,
      `The fall is ${p(d.depth.marked)} deep, its stand ${p(d.stand.marked)}${deeper >= COVERS ? ': it covers the seam behind' : `: it wants ${p(cm(COVERS))} more than the stand, or the seam shows behind`}.`,
    ),
  ];
}

/** The collar as it is worn, round the neckline of what it joins. */
function collarPicture(c: PartContext, v: CollarValues, d: CollarDraft): Picture {
  const at = c.above?.neckline;
  if (!at || d.pieces.length === 0) return NO_PICTURE;
  const depth = d.depth.marked ?? 5;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const { side } = at;
    const low = at[face];
    for (const s of [-1, 1]) {
      const x = (u: number) => n(s * u);
      if (v.kind === 'flat')
        out.strokes.push({
          kind: 'outline',
          figure: c.id('depth'),
          d:
            face === 'front'
              ? `M0 ${n(low)} Q${x(side[0] * 0.3)} ${n(low + depth * 1.1)} ${x(side[0] * 0.8)} ${n(low + depth * 0.7)} Q${x(side[0] + depth)} ${n(low)} ${x(side[0] + depth * 0.9)} ${n(side[1] + depth * 0.35)}`
              : `M0 ${n(low + depth)} Q${x(side[0] + depth * 0.6)} ${n(low + depth)} ${x(side[0] + depth * 0.9)} ${n(side[1] + depth * 0.35)}`,
        });
      else {
        const stand = d.stand?.marked ?? depth;
        const top = [side[0] * 0.92, side[1] - stand] as const;
        out.strokes.push({
          kind: 'outline',
          figure: c.id(v.kind === 'shirt' ? 'stand' : 'depth'),
          d:
            face === 'front'
              ? `M0 ${n(low)} L${x(0.4)} ${n(low - stand)} Q${x(top[0])} ${n(low - stand)} ${x(top[0])} ${n(top[1])} L${x(side[0])} ${n(side[1])}`
              : `M${x(side[0])} ${n(side[1])} L${x(top[0])} ${n(top[1])} Q${x(top[0] * 0.5)} ${n(top[1] - 0.6)} 0 ${n(top[1] - 0.6)}`,
        });
        if (v.kind === 'shirt')
          out.strokes.push({
            kind: 'outline',
            figure: c.id('depth'),
            d:
              face === 'front'
                ? `M${x(0.6)} ${n(low - stand)} L${x(side[0] * 0.7)} ${n(low + depth * 0.9)} L${x(side[0] + 1.2)} ${n(side[1] + 0.6)} L${x(top[0])} ${n(top[1])}`
                : `M${x(top[0])} ${n(top[1])} L${x(side[0] + 1.2)} ${n(side[1] + 0.6)} Q${x(side[0] * 0.5)} ${n(top[1] + depth)} 0 ${n(top[1] + depth)}`,
          });
      }
    }
    if (face === 'back') {
      point(out, d.depth, [0, low + (v.kind === 'flat' ? depth * 0.6 : -depth * 0.3)]);
      point(out, d.half, [side[0] * 0.6, low]);
    } else if (d.stand) point(out, d.stand, [side[0] * 0.3, low - d.stand.marked! * 0.6]);
    return out;
  };
  return pictureOf(view('front'), view('back'));
}

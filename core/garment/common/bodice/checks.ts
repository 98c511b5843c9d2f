import { sewnLength } from '../../../draft/measure.ts';
import type { Panel } from '../../../draft/panel.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { PartContext } from '../../part.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import type { Marked } from './plan.ts';

/** How much the back armhole may be shorter or longer than the front before it is told, cm: schools have 0 to 2 longer. */
const ARMHOLE = { shorter: 0.3, longer: 2.5 } as const;

/** Figures of a bodice's plan that are absent. */
export const absentChecks = (figures: readonly Figure[]): RawCheck[] =>
  figures
    .filter((f) => f.finished === null)
    .map((f) =>
      missing(
        `absent-${f.id}`,
        f.id,
        `${f.name} was not measured, and nothing it could be taken from: measure it or set it by hand.`,
      ),
    );

/** A bust line above the underarm belongs to no one body. */
export const bustAbove = (c: PartContext, m: Marked): RawCheck[] =>
  m.bustLevel >= m.armhole
    ? []
    : [
        warn(
          c.id('bust-above'),
          c.id('bust-level'),
          `The bust line (${p(m.bustLevel)}) lies above the underarm (${p(m.armhole)}): read both again.`,
        ),
      ];

/** A quarter that is no wider than the half across it leaves no armhole: one of the readings is wrong. */
export const narrowQuarters = (c: PartContext, m: Marked): RawCheck[] =>
  FACES.flatMap((face) => {
    const quarter = c.line('bust')?.[face]?.rounded;
    const across = face === 'front' ? m.acrossFront : m.acrossBack;
    if (quarter === undefined || quarter > across) return [];
    const arc = c.measured.get('bust-front')?.net != null ? 'the front arc of the bust' : 'the bust';
    return [
      warn(
        c.id(`narrow-${face}`),
        c.id(`across-${face}`),
        `The ${face} quarter at the bust (${p(quarter)}) is no wider than half across the ${face} (${p(across)}): nothing is left for the armhole. Read ${arc} and across ${face} again.`,
      ),
    ];
  });

/** How much nearer the centre than the end of the shoulder an armhole runs at the least, cm (common practice: 1 to 2.5). */
const INSIDE_SHOULDER = 0.3;

/** A width across that was read as wide as the shoulders bends the armhole outward below them: one of the readings is wrong. */
export const wideAcross = (c: PartContext, m: Marked): RawCheck[] =>
  FACES.flatMap((face) => {
    const read = c.measured.get(`across-${face}`)?.net ?? null;
    const [across, shoulder] =
      face === 'front' ? [m.acrossFront, m.shoulder] : [m.acrossBack, m.shoulderBack];
    const tip = m.neckHalf + shoulder * Math.cos((m.slope * Math.PI) / 180);
    if (read === null || across <= tip - INSIDE_SHOULDER) return [];
    return [
      warn(
        c.id(`wide-${face}`),
        c.id(`across-${face}`),
        `Across ${face}, a half, is ${p(across)} with its ease; the shoulder ends ${p(cm(tip))} from the centre: the armhole bends outward below it. Read across ${face} and the shoulder again.`,
      ),
    ];
  });

/** Side seams sewn, front and back, and the armhole beside the body's. */
export function seamChecks(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  measured: readonly Figure[],
): { readonly sides: readonly [Cm, Cm]; readonly checks: RawCheck[] } {
  const sides = FACES.map((f) => sewnLength(faces[f], 'side')) as unknown as readonly [Cm, Cm];
  const apart = cm(Math.abs(sides[0] - sides[1]));
  const checks = [
    judge(
      apart <= TOLERANCE.detail,
      c.id('side-seams'),
      c.id('side-seam'),
      `Side seams sewn: front ${p(sides[0])} with its dart closed, back ${p(sides[1])}${apart > TOLERANCE.detail ? `; ease or true ${p(apart)}` : ', equal within what is trued'}.`,
    ),
  ];
  const [front, back] = FACES.map((f) => sewnLength(faces[f], 'armhole')) as [Cm, Cm];
  const more = cm(back - front);
  const usual = more >= -ARMHOLE.shorter && more <= ARMHOLE.longer;
  checks.push(
    judge(
      usual,
      c.id('armholes'),
      c.id('armhole-round'),
      usual
        ? `Armhole: front ${p(front)}, back ${p(back)}; the back is usually up to ${p(cm(2))} longer (three published schools, from memory).`
        : `Armhole: front ${p(front)}, back ${p(back)}; the back is usually up to ${p(cm(2))} longer (three published schools, from memory). Read the lengths over the bust and behind, and the widths across front and back, again.`,
    ),
  );
  const body = c.measured.get('armhole')?.net;
  const round = measured.find((f) => f.id === c.id('armhole-round'))?.finished;
  if (body != null && round != null)
    checks.push(
      judge(
        round >= body - 1,
        c.id('armhole'),
        c.id('armhole-round'),
        `Armhole ${p(round)} sewn, ${p(body)} on the body: ${round >= body - 1 ? 'it will not cut in' : 'it will cut in; lower it'}.`,
      ),
    );
  return { sides, checks };
}

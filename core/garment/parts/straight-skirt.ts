import {
  bodyTerms,
  buildFigure,
  drift,
  easeIn,
  girthTerms,
  share,
  splitGirth,
  TOLERANCE,
  withMark,
} from '../../sheet/build.ts';
import type { Check, Figure, Term } from '../../sheet/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say } from '../../units/print.ts';
import { roundLength } from '../../units/rounding.ts';
import { skirtAllowances } from '../allowances.ts';
import type { StraightSkirtBrief } from '../brief.ts';
import { dartLength, type Suppression, suppress } from '../darts.ts';
import { FLOORS, type Zone } from '../fit.ts';
import type { GarmentPart, PartContext } from '../part.ts';
import { type GirthAt, openingDepth, stockedZip } from '../zip.ts';
import { skirtCutList } from './straight-skirt-cut.ts';
import { hemFigures } from './straight-skirt-hem.ts';

/** Finished girths of a skirt, waist to hip, and how they are read and eased. */
const GIRTHS: readonly { id: Zone; arc: string; drop: string | null; needed: boolean }[] = [
  { id: 'waist', arc: 'waist-front', drop: null, needed: true },
  { id: 'high-hip', arc: '', drop: 'waist-to-high-hip', needed: false },
  { id: 'tummy', arc: 'tummy-front', drop: 'waist-to-tummy', needed: false },
  { id: 'hip', arc: 'hip-front', drop: 'waist-to-hip', needed: true },
];
/** Below the knee a hem under this girth needs a vent, slit, pleat or stretch, cm (common practice). */
const STRIDE = cm(96);
type RawCheck = Omit<Check, 'accepted'>;
const warn = (code: string, figure: string | null, sentence: string): RawCheck => ({
  code,
  figure,
  state: 'warned',
  sentence,
});
const pass = (code: string, figure: string | null, sentence: string): RawCheck => ({
  code,
  figure,
  state: 'passed',
  sentence,
});
const p = say;

export const straightSkirt: GarmentPart<StraightSkirtBrief> = {
  id: 'straight-skirt',
  name: 'straight skirt, woven',
  wants: () => ({
    needs: ['waist', 'hip', 'waist-to-hip', 'hem-front', 'hem-left', 'hem-right', 'hem-back'],
    helps: [
      'high-hip',
      'waist-to-high-hip',
      'tummy',
      'waist-to-tummy',
      'hip-front',
      'waist-to-knee',
      'waist-to-floor',
    ],
  }),
  compute(c, brief) {
    const checks: RawCheck[] = [];
    const girths = GIRTHS.flatMap((g) => girthFigure(c, g, checks));
    const byId = new Map(girths.map((f) => [f.id, f]));
    const levels = levelFigures(c, girths);
    const level = (id: string) =>
      id === 'waist' ? cm(0) : (levels.find((l) => l.id === `level-${id}`)?.finished ?? null);
    const wide = widest(byId, checks);
    const darts = dartFigures(c, byId.get('waist')!, wide, level('hip'), checks);
    const hem = hemGirth(c, brief, wide);
    const lengths = hemFigures(c, brief);
    const longest = Math.max(0, ...lengths.map((l) => l.finished ?? 0)) as Cm;
    const band = bandFigures(c, brief, byId.get('waist')!);
    const profile = girths.flatMap((g): GirthAt[] => {
      const at = level(g.id);
      return at === null || g.finished === null ? [] : [{ level: at, girth: g.finished }];
    });
    profile.sort((a, b) => a.level - b.level);
    const opening = openingFigures(c, brief, profile, checks);
    roomAtLevels(girths, darts, level, checks);
    strideCheck(c, brief, hem, longest, checks);
    driftChecks(c, girths, checks);
    const allowances = allowancesOf(c);
    const floor = c.measured.get('waist-to-floor')?.net ?? null;
    return {
      figures: markWarned(
        [...girths, hem, ...levels, ...darts.lines, ...darts.figures, ...lengths, ...band, ...opening],
        checks,
      ),
      allowances: [
        { name: 'side seams', cm: allowances.side },
        { name: 'waist seam', cm: allowances.waist },
        {
          name: brief.zip === 'centre-back' ? 'centre back (zip) seam' : 'left side zip seam',
          cm: allowances.zip,
        },
        { name: 'hem', cm: allowances.hem },
        ...(c.input.brief.lining ? [{ name: 'lining hem, double roll', cm: allowances.liningHem }] : []),
        ...(brief.band > 0 ? [{ name: 'waistband edges', cm: allowances.band }] : []),
      ],
      ...skirtCutList(
        c.input.brief,
        brief,
        {
          wide,
          longest,
          band: band[0]?.finished ?? null,
          zip: opening[0]?.finished ?? null,
          allowances,
        },
        c.input.house.rounding,
      ),
      checks,
      cautions: [
        {
          code: 'pins',
          sentence:
            'Pins and needles: count in, count out at every fitting; do not hand over with a count that does not match.',
        },
        {
          code: 'stride',
          sentence:
            'A straight hem limits the step: try a stair and a stride at the fitting, in the shoes of the day.',
        },
        ...(floor !== null && longest > floor - 5
          ? [
              {
                code: 'trip',
                sentence:
                  'The hem is within 5 cm of the floor: trip hazard; level it in the shoes that will be worn.',
              },
            ]
          : []),
      ],
    };
  },
};

const allowancesOf = ({ input: { brief, house } }: PartContext) =>
  skirtAllowances(brief.fit === 'close', brief.letOut, house.rounding.unit, house.allowances);

function girthFigure(c: PartContext, g: (typeof GIRTHS)[number], checks: RawCheck[]): Figure[] {
  const m = c.measured.get(g.id);
  const byHand = c.overridesOf(g.id).some((o) => o.target === 'finished');
  if (m?.net == null && !g.needed && !byHand) return [];
  const known = m?.net != null;
  const figure = buildFigure(c, {
    id: g.id,
    name: g.id.replace('-', ' '),
    group: 'girth',
    terms: known ? girthTerms(c, m, g.id) : [],
    known,
    tolerance: TOLERANCE.girth,
    why: known
      ? []
      : [`${m?.why[0] ?? 'Not read.'} Read it, or set the finished figure by hand with a reason.`],
  });
  if (figure.finished === null) {
    checks.push(
      warn(
        `absent-${g.id}`,
        g.id,
        `The ${figure.name} was not read: the sheet cannot give it, and nothing is guessed.`,
      ),
    );
    return [figure];
  }
  const floor = FLOORS[g.id];
  const ease = known ? easeIn(figure, m.net!) : null;
  if (floor && ease !== null && c.input.brief.cloth.stretch === 0) {
    const says = `${figure.name}: ease ${p(ease)}, the floor in a woven is ${p(floor.least)} (${floor.why})`;
    checks.push(
      ease < floor.least - 1e-9
        ? warn(`floor-${g.id}`, g.id, `${says}.`)
        : pass(`floor-${g.id}`, g.id, `${says}.`),
    );
  }
  const arc = c.measured.get(g.arc)?.net ?? null;
  const balance = g.id === 'waist' ? c.input.house.balance.waist : c.input.house.balance.hip;
  return [splitGirth(c, figure, { arc, net: m?.net ?? null, balance })];
}

/** The widest finished girth from the tummy down: the line the skirt hangs from. */
function widest(girths: ReadonlyMap<string, Figure>, checks: RawCheck[]): Figure {
  const hip = girths.get('hip')!;
  if (hip.finished === null) return hip;
  let wide = hip;
  for (const id of ['tummy', 'high-hip']) {
    const f = girths.get(id);
    if (f?.finished != null && f.finished > wide.finished! + 1e-9) wide = f;
  }
  if (wide !== hip)
    checks.push(
      warn(
        'wide-above-hip',
        wide.id,
        `The ${wide.name} (${p(wide.finished!)}) is wider than the hip (${p(hip.finished)}): the side seams fall straight from there, and the hem follows it.`,
      ),
    );
  return wide;
}

function levelFigures(c: PartContext, girths: readonly Figure[]): Figure[] {
  const hipDrop = c.measured.get('waist-to-hip')?.net ?? null;
  return GIRTHS.flatMap((g) => {
    if (!g.drop || !girths.some((f) => f.id === g.id)) return [];
    const m = c.measured.get(g.drop);
    const name = `${g.id.replace('-', ' ')} level`;
    const base = { id: `level-${g.id}`, name, group: 'level' as const, known: true };
    if (m?.net != null) return [buildFigure(c, { ...base, terms: bodyTerms(m), read: true })];
    const [guess, because]: [Cm, string] =
      g.id === 'hip'
        ? [c.input.house.hipDrop, 'Not read: the house drop stands in.']
        : [
            cm((hipDrop ?? c.input.house.hipDrop) * (g.id === 'tummy' ? 0.45 : 0.5)),
            'Not read: about halfway from waist to hip (common practice).',
          ];
    return [
      buildFigure(c, {
        ...base,
        estimated: true,
        terms: [{ kind: 'body', label: 'estimate', cm: guess, because }],
        why: [because],
      }),
    ];
  });
}

interface Darts {
  readonly lines: readonly Figure[];
  readonly figures: readonly Figure[];
  readonly front: Suppression | null;
  readonly back: Suppression | null;
}

function dartFigures(
  c: PartContext,
  waist: Figure,
  wide: Figure,
  hipLevel: Cm | null,
  checks: RawCheck[],
): Darts {
  if (!waist.front || !waist.back || !wide.front || !wide.back || hipLevel === null)
    return { lines: [], figures: [], front: null, back: null };
  const made = (['front', 'back'] as const).map((face) => {
    const narrow = waist[face]!;
    const s = suppress(cm(wide[face]!.exact - narrow.exact), face, c.input.house.darts[face]);
    // Marked so that the line, its darts sewn, closes to the waist's own rounded quarter.
    const marked = cm(narrow.rounded + s.count * roundLength(s.intake, c.input.house.rounding));
    const because = `${wide.name} quarter − waist quarter = ${p(s.total)}. ${s.because}`;
    const terms: Term[] = [
      {
        kind: 'body',
        label: `waist, ${face} quarter`,
        cm: narrow.exact,
        because: 'Finished quarter, unrounded.',
      },
    ];
    if (s.count > 0)
      terms.push({
        kind: 'take',
        label: `${s.count} × dart of ${p(s.intake)}`,
        cm: cm(s.count * s.intake),
        because: s.because,
      });
    const line = {
      ...buildFigure(c, {
        id: `waist-line-${face}`,
        marked,
        name: `waist line, ${face} quarter`,
        group: 'dart',
        terms,
        known: true,
        tolerance: TOLERANCE.detail,
        why: [`The side seam runs in ${p(s.side)} at the waist.`],
      }),
    };
    const intake =
      s.count === 0
        ? []
        : [
            buildFigure(c, {
              id: `dart-${face}-intake`,
              name: `${face} dart, intake`,
              group: 'dart',
              known: true,
              tolerance: TOLERANCE.detail,
              note: `${s.count} per quarter, ${s.count === 1 ? 'half-way along' : 'at ⅓ and ⅔ of'} the waist`,
              terms: [
                { kind: 'take', label: `suppression`, cm: s.total, because },
                { kind: 'take', label: 'side seam takes', cm: cm(-s.side), because: s.because },
                ...(s.count > 1
                  ? [
                      {
                        kind: 'share' as const,
                        label: `shared by ${s.count}`,
                        cm: cm(-(s.count - 1) * s.intake),
                        because: 'Equal darts.',
                      },
                    ]
                  : []),
              ],
            }),
            buildFigure(c, {
              id: `dart-${face}-length`,
              name: `${face} dart, length`,
              group: 'dart',
              known: true,
              tolerance: TOLERANCE.detail,
              terms: [
                {
                  kind: 'body',
                  label: 'length',
                  cm: dartLength(face, hipLevel),
                  because: 'Usual length, ending at least 3 cm above the hip level (common practice).',
                },
              ],
            }),
          ];
    const side = buildFigure(c, {
      id: `side-${face}`,
      marked: cm(wide[face]!.rounded - marked),
      name: `side seam in at the waist, ${face}`,
      group: 'dart',
      known: true,
      tolerance: TOLERANCE.detail,
      terms: [{ kind: 'take', label: 'side seam', cm: s.side, because }],
    });
    // Less than a small detail's tolerance is not worth a warning that somebody must accept.
    if (s.over > TOLERANCE.detail)
      checks.push(
        warn(
          `dart-over-${face}`,
          `side-${face}`,
          `${face}: ${p(s.total)} per quarter is more than two darts and the side seam usually take; ${p(s.over)} went into the side seam. Princess seams are advised, or accept it.`,
        ),
      );
    return { s, line, figures: [...intake, side] };
  });
  const [front, back] = made as [(typeof made)[number], (typeof made)[number]];
  return {
    lines: [front.line, back.line],
    figures: [...front.figures, ...back.figures],
    front: front.s,
    back: back.s,
  };
}

function hemGirth(c: PartContext, brief: StraightSkirtBrief, wide: Figure): Figure {
  const terms: Term[] = [
    {
      kind: 'body',
      label: `${wide.name}, finished`,
      cm: wide.finished ?? cm(0),
      because: 'A straight skirt falls straight from its widest line.',
    },
  ];
  if (brief.taper > 0)
    terms.push({
      kind: 'take',
      label: `taper, 4 edges × ${p(brief.taper)}`,
      cm: cm(-4 * brief.taper),
      because: 'Two side seams have four edges.',
    });
  const hem = buildFigure(c, {
    id: 'hem',
    name: 'hem',
    group: 'girth',
    terms,
    known: wide.finished !== null,
    tolerance: TOLERANCE.girth,
  });
  if (hem.finished === null || !wide.front || !wide.back) return hem;
  // What changed the hem girth is shared over its four edges, so front and back keep the widest line's balance.
  const perEdge = cm((hem.finished - wide.finished!) / 4);
  const quarter = (face: 'front' | 'back') =>
    share(c, [
      {
        kind: 'body',
        label: `${wide.name}, ${face} quarter`,
        cm: wide[face]!.exact,
        because: 'Straight down.',
      },
      { kind: 'take', label: 'per edge', cm: perEdge, because: 'A quarter of the difference.' },
    ]);
  return { ...hem, front: quarter('front'), back: quarter('back') };
}

function bandFigures(c: PartContext, brief: StraightSkirtBrief, waist: Figure): Figure[] {
  if (brief.band <= 0) return [];
  const allowance = allowancesOf(c).band;
  const length = buildFigure(c, {
    id: 'band-length',
    name: 'waistband, length',
    group: 'band',
    known: waist.finished !== null,
    terms: [
      {
        kind: 'body',
        label: 'waist, finished',
        cm: waist.finished ?? cm(0),
        because: 'The band is as long as the finished waist.',
      },
      { kind: 'add', label: 'overlap', cm: brief.overlap, because: 'For the hook or button.' },
    ],
    note: `cut ${p(allowance)} longer at each end`,
  });
  const width = buildFigure(c, {
    id: 'band-cut-width',
    name: 'waistband, cut width',
    group: 'band',
    known: true,
    tolerance: TOLERANCE.detail,
    terms: [
      {
        kind: 'body',
        label: '2 × band',
        cm: cm(2 * brief.band),
        because: `Finished ${p(brief.band)}, folded.`,
      },
      { kind: 'add', label: 'allowances', cm: cm(2 * allowance), because: 'One at each long edge.' },
    ],
  });
  return [length, width];
}

function openingFigures(
  c: PartContext,
  brief: StraightSkirtBrief,
  profile: readonly GirthAt[],
  checks: RawCheck[],
): Figure[] {
  const bodies = ['waist', 'high-hip', 'tummy', 'hip'].flatMap((id) => c.measured.get(id)?.net ?? []);
  const figures: Figure[] = [];
  const complete = profile.some((x) => x.level === 0) && profile.length > 1;
  const passes = cm(Math.max(0, ...bodies));
  const depth = complete && bodies.length > 0 ? openingDepth(profile, passes) : null;
  const zip = depth === null ? null : stockedZip(depth);
  figures.push(
    buildFigure(c, {
      id: 'zip',
      bought: true,
      name: `zip, ${brief.zip === 'centre-back' ? 'centre back' : 'left side'}`,
      group: 'opening',
      known: zip !== null,
      terms:
        zip === null
          ? []
          : [
              {
                kind: 'body',
                label: 'opening needed',
                cm: depth!,
                because: `Down to where the finished girth lets the widest body girth (${p(passes)}) through.`,
              },
              {
                kind: 'add',
                label: 'to the next stocked length',
                cm: cm(zip - depth!),
                because: 'House list of stocked zips.',
              },
            ],
    }),
  );
  if (complete && bodies.length > 0 && zip === null)
    checks.push(
      warn(
        'zip',
        'zip',
        `No stocked zip lets ${p(passes)} through: the finished girths are too narrow for the body, or the list is too short.`,
      ),
    );
  if (brief.hemOpening.kind !== 'none')
    figures.push(
      buildFigure(c, {
        id: brief.hemOpening.kind,
        name: `${brief.hemOpening.kind}, height`,
        group: 'opening',
        known: true,
        terms: [
          {
            kind: 'style',
            label: 'from the brief',
            cm: brief.hemOpening.height,
            because: 'Style, as briefed.',
          },
        ],
      }),
    );
  return figures;
}

/** At each level between waist and hip: does the cloth left by darts and side seam hold the finished girth? */
function roomAtLevels(
  girths: readonly Figure[],
  darts: Darts,
  level: (id: string) => Cm | null,
  checks: RawCheck[],
) {
  const hip = girths.find((g) => g.id === 'hip');
  const hipLevel = level('hip');
  if (!darts.front || !darts.back || !hip?.front || !hip.back || !hipLevel) return;
  for (const g of girths) {
    const at = level(g.id);
    if ((g.id !== 'high-hip' && g.id !== 'tummy') || g.finished === null || at === null || at >= hipLevel)
      continue;
    const quarter = (face: 'front' | 'back') => {
      const s = darts[face]!;
      const open = Math.max(0, 1 - at / dartLength(face, hipLevel));
      return (
        s.total +
        girths.find((x) => x.id === 'waist')![face]!.exact -
        s.side * (1 - at / hipLevel) -
        s.count * s.intake * open
      );
    };
    const room = cm(2 * quarter('front') + 2 * quarter('back'));
    const says = `${g.name}: darts and side seams leave ${p(room)} at this level, the sheet wants ${p(g.finished)}`;
    checks.push(
      room < g.finished - TOLERANCE.girth
        ? warn(`room-${g.id}`, g.id, `${says}. Shorten the darts or curve the side seam out.`)
        : pass(`room-${g.id}`, g.id, `${says}.`),
    );
  }
}

function strideCheck(
  c: PartContext,
  brief: StraightSkirtBrief,
  hem: Figure,
  longest: Cm,
  checks: RawCheck[],
) {
  const knee = c.measured.get('waist-to-knee')?.net ?? null;
  if (hem.finished === null || longest === 0) return;
  // Without the knee a hem past 60 cm is taken to reach it: the catalogue's span starts at 48, the middle is 60.
  const below = longest > (knee ?? 60);
  if (!below || hem.finished >= STRIDE)
    checks.push(pass('stride', 'hem', `Hem ${p(hem.finished)}: room to walk.`));
  else if (brief.hemOpening.kind !== 'none')
    checks.push(
      pass(
        'stride',
        'hem',
        `Hem ${p(hem.finished)} below the knee: the ${brief.hemOpening.kind} gives room to walk.`,
      ),
    );
  else
    checks.push(
      warn(
        'stride',
        'hem',
        `Below the knee a hem of ${p(hem.finished)} is under ${p(STRIDE)}: it needs a vent, a slit, a pleat or stretch.`,
      ),
    );
}

function driftChecks(c: PartContext, figures: readonly Figure[], checks: RawCheck[]) {
  if (c.input.house.rounding.step === 0) return;
  for (const f of figures) {
    const d = drift(f);
    if (d === null) continue;
    const says = `${f.name}: the four rounded quarters make ${p(f.finished! + d)}, drift ${d > 0 ? '+' : ''}${p(d)}`;
    checks.push(
      Math.abs(d) > f.tolerance + 1e-9
        ? warn(`drift-${f.id}`, f.id, `${says}, more than the tolerance of ${p(f.tolerance)}.`)
        : pass(`drift-${f.id}`, f.id, `${says}.`),
    );
  }
}

function markWarned(figures: readonly Figure[], checks: readonly RawCheck[]): Figure[] {
  const warned = new Set(checks.filter((k) => k.state === 'warned').map((k) => k.figure));
  return figures.map((f) => (warned.has(f.id) ? withMark(f, 'warned') : f));
}

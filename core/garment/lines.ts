import {
  bodyTerms,
  buildFigure,
  finely,
  MARKED_FINER,
  type Making,
  partOf,
  share,
  TOLERANCE,
  term,
  ZERO,
} from '../figure/build.ts';
import type { Figure, Share, Term } from '../figure/figure.ts';
import type { Measured } from '../measures/session.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p, sayThick } from '../units/print.ts';
import { stepOf } from '../units/rounding.ts';
import type { SheetInput } from './input.ts';
import { type EaseRule, easeFor, FLOORS, type Hang } from './tables/fit.ts';
import { LAYER_THICKNESS, type LayerKind, layerAllowance } from './tables/layers.ts';
import { stretchClass, stretchReduction } from './tables/stretch.ts';

/** A body line of a garment: worked out once, with one ease, one letter and one override, whatever parts cross it. */
export type Zone = 'bust' | 'underbust' | 'waist' | 'high-hip' | 'tummy' | 'hip';

interface ZoneRow {
  readonly zone: Zone;
  /** the front arc of it, when it is read */
  readonly arc: string | null;
  /** how far below the waist it lies: the measure, and its share of the hip drop when that was not read */
  readonly drop: { readonly measure: string; readonly ofHip: number } | null;
  readonly balance: 'bust' | 'waist' | 'hip';
}
/** Body lines from the top down, in the order the sheet prints them. */
export const ZONES: readonly ZoneRow[] = [
  { zone: 'bust', arc: 'bust-front', drop: null, balance: 'bust' },
  { zone: 'underbust', arc: 'underbust-front', drop: null, balance: 'bust' },
  { zone: 'waist', arc: 'waist-front', drop: null, balance: 'waist' },
  { zone: 'high-hip', arc: null, drop: { measure: 'waist-to-high-hip', ofHip: 0.5 }, balance: 'hip' },
  { zone: 'tummy', arc: 'tummy-front', drop: { measure: 'waist-to-tummy', ofHip: 0.45 }, balance: 'hip' },
  { zone: 'hip', arc: 'hip-front', drop: { measure: 'waist-to-hip', ofHip: 1 }, balance: 'hip' },
];
const rowOf = (zone: Zone) => ZONES.find((z) => z.zone === zone)!;

export interface BodyLine {
  readonly zone: Zone;
  readonly figure: Figure;
  /** the body's own girth, cm; null when the line was set by hand without one */
  readonly net: Cm | null;
  /** below the waist, cm, as marked; 0 at the waist, null above it */
  readonly level: Cm | null;
  readonly levelFigure: Figure | null;
  readonly front: Share | null;
  readonly back: Share | null;
  /** the wider line it is as wide as, where the cloth falls free of that */
  readonly asWideAs: Zone | null;
  /** its ease is the part's own: no floor of the house is held against it */
  readonly own: boolean;
}

/** What a part says of a line besides its fit. */
interface LineMore {
  /** an ease of the part's own that stands in for the fit's, stretch included */
  readonly ease?: EaseRule;
  /** layers that lie under the cloth there, besides the lining */
  readonly layers?: readonly LayerKind[];
  /** finished girth of the garment that is worn beneath, cm: this one is made over it */
  readonly over?: Cm | null;
}

/** A body line that a part crosses. */
export interface LineWanted extends LineMore {
  readonly zone: Zone;
  /** absent on the sheet when it was not read; one that is not needed is left out instead */
  readonly needed: boolean;
  /** front and back alike, whatever arcs were read */
  readonly even?: boolean;
  /** how front and back share it where no arc was read; null leaves it to the house */
  readonly sharedBy?: (c: LineContext, net: Cm | null, finished: Cm) => Share[] | null;
  /** how the line is shared when no part of the garment takes it in front and back quarters */
  readonly split?: (finished: Cm) => {
    readonly panel: string;
    readonly times: number;
  };
  /** stretch of the cloth of the part that crosses it, percent */
  readonly stretch?: number;
}

/** A line that becomes as wide as another, since the cloth falls free there. */
export interface Lift {
  readonly zone: Zone;
  readonly to: Zone;
  readonly because: string;
}

export type LineContext = Making & {
  readonly input: SheetInput;
  /** stretch, percent, by line: of the cloths that cross it the one that gives least */
  readonly gives?: ReadonlyMap<Zone, number>;
  readonly measured: ReadonlyMap<string, Measured>;
  readonly hang: Hang;
};

/** How far the cloth stretches along a line, percent. */
const stretchAt = (c: LineContext, zone: Zone): number => c.gives?.get(zone) ?? c.input.brief.cloth.stretch;

/** Of the cloths that cross each line the stretch of the one that gives least. */
export function leastStretch(wanted: readonly LineWanted[]): ReadonlyMap<Zone, number> {
  const least = new Map<Zone, number>();
  for (const { zone, stretch = 0 } of wanted) least.set(zone, Math.min(stretch, least.get(zone) ?? stretch));
  return least;
}

/** net body + wearing ease + style ease + layers − stretch reduction, as terms (whole girth, cm). */
export function girthTerms(c: LineContext, m: Measured, zone: Zone, more: LineMore = {}): Term[] {
  const own = more.ease;
  const { brief, house } = c.input;
  const terms = bodyTerms(m);
  const { ease, because } = own ?? easeFor(zone, brief.fit, brief.school, c.hang, house.ease);
  terms.push(
    term('wearing', 'wearing ease', ease, because),
    term('style', 'style ease', 0, 'None asked for.'),
  );
  if (more.over != null && m.net !== null)
    terms.push(
      term(
        'layers',
        'garment beneath',
        Math.max(0, more.over - m.net),
        more.over >= m.net
          ? `The garment beneath is ${p(more.over)} round, finished: this one goes over it.`
          : `The garment beneath is ${p(more.over)} round, less than the body: it stretches round it and takes no room.`,
      ),
    );
  const layers: LayerKind[] = [...(brief.lining ? (['lining'] as const) : []), ...(more.layers ?? [])];
  if (layers.length > 0) {
    const each = (l: LayerKind) => sayThick(LAYER_THICKNESS[l]);
    const thick = layers.reduce((sum, l) => sum + LAYER_THICKNESS[l], 0);
    terms.push(
      term(
        'layers',
        'layers',
        layerAllowance(cm(thick)),
        layers.length === 1
          ? `The ${layers[0]} lies ${each(layers[0]!)} under the cloth: 2π × its thickness (geometry; thickness a studio figure).`
          : `Under the cloth lie ${layers.map((l) => `${l} ${each(l)}`).join(', ')}: 2π × their thickness (geometry; thicknesses studio figures).`,
      ),
    );
  }
  const times = { close: 1, 'second-skin': 2 }[brief.fit as string] ?? 0;
  const stretch = stretchAt(c, zone);
  if (times > 0 && m.net !== null && stretch > 0 && !own) {
    const off = times * stretchReduction(m.net, stretch);
    const { name, percent } = stretchClass(stretch);
    terms.push(
      term(
        'stretch',
        'stretch',
        -off,
        `Cloth of class ${name}: ${times * percent} % of the body girth comes off a ${times === 1 ? 'close garment' : 'second skin'}.`,
      ),
    );
  }
  return terms;
}

/**
 * The body lines of a garment, by zone, from the top down: what its parts ask for, with the lines that fall free of a
 * wider one raised to it, then shared and rounded once. A line that is not needed and was not read is left out.
 */
export function bodyLines(
  c: LineContext,
  wanted: readonly LineWanted[],
  lifts: (line: (zone: Zone) => BodyLine | undefined) => readonly Lift[],
): Map<Zone, BodyLine> {
  const bare = new Map<Zone, BodyLine>();
  for (const { zone } of ZONES) {
    const asked = wanted.filter((w) => w.zone === zone);
    if (asked.length === 0) continue;
    const figure = girth(
      c,
      zone,
      asked.some((w) => w.needed),
      {
        ...asked.find((w) => w.ease),
        layers: [...new Set(asked.flatMap((w) => w.layers ?? []))],
        over: asked.find((w) => w.over != null)?.over ?? null,
      },
    );
    if (!figure) continue;
    bare.set(zone, {
      zone,
      figure,
      net: c.measured.get(zone)?.net ?? null,
      front: null,
      back: null,
      asWideAs: null,
      own: asked.some((w) => w.ease),
      ...levelOf(c, zone),
    });
  }
  const raised = new Map(
    lifts((z) => bare.get(z)).flatMap((l) => {
      const [from, to] = [bare.get(l.zone)?.figure, bare.get(l.to)?.figure];
      return from && to && from.finished !== null && to.finished !== null ? [[l.zone, l] as const] : [];
    }),
  );
  const done = new Map<Zone, BodyLine>();
  const own = [...bare].filter(([zone]) => !raised.has(zone));
  for (const [zone, line] of own)
    done.set(
      zone,
      shared(
        c,
        line,
        wanted.filter((w) => w.zone === zone),
      ),
    );
  for (const [zone, l] of raised) done.set(zone, lifted(c, bare.get(zone)!, done.get(l.to)!, l));
  return new Map([...bare.keys()].map((zone) => [zone, done.get(zone)!]));
}

function girth(c: LineContext, zone: Zone, needed: boolean, more: LineMore): Figure | null {
  const m = c.measured.get(zone);
  const known = m?.net != null;
  const byHand = c.overridesOf(zone).some((o) => o.target === 'finished');
  if (!known && !needed && !byHand) return null;
  const own = c.input.brief.cloth.stretch;
  const gives = stretchAt(c, zone);
  const figure = buildFigure(c, {
    id: zone,
    section: 'body',
    name: zone === 'underbust' ? 'under bust' : zone.replace('-', ' '),
    group: 'girth',
    terms: known ? girthTerms(c, m, zone, more) : [],
    known,
    settable: known ? ['wearing', 'style', 'finished'] : ['finished'],
    tolerance: TOLERANCE.girth,
    follows: (v) => (v > 0 ? null : 'Enter a girth over 0.'),
    why: known
      ? []
      : [`${m?.why[0] ?? 'Not read.'} Read it, or set the finished figure by hand with a reason.`],
  });
  if (gives === own) return figure;
  const because = `Made for the cloth that gives least of those that lie there: it stretches ${gives} %.`;
  return { ...figure, gives, why: [...figure.why, because] };
}

/** A narrower line that hangs free below or under a wider one is as wide as that, panel by panel; one narrower by hand cannot be. */
function lifted(c: LineContext, line: BodyLine, wide: BodyLine, l: Lift): BodyLine {
  const { figure } = line;
  const to = wide.figure.finished!;
  const byHand = figure.overrides.filter((o) => o.target === 'finished' && o.value < to - 1e-9);
  for (const o of byHand)
    c.refuse(o, `${p(o.value)} is narrower than the ${wide.figure.name} (${p(to)}). ${l.because}`);
  const terms = figure.rule === null ? [] : figure.terms;
  const sofar = terms.reduce((a, t) => a + t.cm, 0);
  const more = term('style', `as wide as the ${wide.figure.name}`, to - sofar, l.because);
  const shares = wide.figure.shares.map((s) => ({
    ...s,
    terms: [term('body', `${wide.figure.name}, ${s.panel}`, s.exact, l.because)],
  }));
  const [front, back] = [wide.front && shares[0]!, wide.back && shares[1]!];
  const marks: Figure['marks'] = byHand.length > 0 ? ['computed'] : figure.marks;
  return {
    ...line,
    front,
    back,
    asWideAs: l.to,
    figure: {
      ...figure,
      terms: [...terms, more],
      rule: to,
      finished: to,
      marked: wide.figure.marked,
      shares,
      marks,
      overrides: figure.overrides.filter((o) => !byHand.includes(o)),
    },
  };
}

function levelOf(c: LineContext, zone: Zone): Pick<BodyLine, 'level' | 'levelFigure'> {
  const { drop } = rowOf(zone);
  if (zone === 'waist') return { level: ZERO, levelFigure: null };
  if (!drop) return { level: null, levelFigure: null };
  const m = c.measured.get(drop.measure);
  const base = {
    id: `level-${zone}`,
    section: 'body',
    name: `${zone.replace('-', ' ')} level`,
    group: 'level' as const,
    follows: (v: Cm) => (v > 0 ? null : 'Enter a level over 0 below the waist.'),
  };
  const hip = c.measured.get('waist-to-hip')?.net ?? c.input.house.hipDrop;
  const because =
    zone === 'hip'
      ? 'Not measured: the studio’s drop stands in.'
      : 'Not measured: about halfway from waist to hip (common practice).';
  const figure =
    m?.net != null
      ? buildFigure(c, { terms: bodyTerms(m), read: true, ...base })
      : buildFigure(c, {
          estimated: true,
          terms: [term('body', 'estimate', hip * drop.ofHip, because)],
          why: [because],
          ...base,
        });
  return { level: figure.marked, levelFigure: figure };
}

function shared(c: LineContext, line: BodyLine, wanted: readonly LineWanted[]): BodyLine {
  const { figure } = line;
  if (figure.finished === null) return line;
  const split = wanted.every((w) => w.split) ? wanted[0]?.split?.(figure.finished) : undefined;
  if (split) {
    const whole = partOf('body', 'finished', figure.finished, split.times, 'Equal panels.');
    const fine = finely(c, split.times);
    const bare = share(fine, split.panel, split.times, [whole]);
    const one = fine === c ? bare : { ...bare, note: MARKED_FINER };
    return { ...line, figure: { ...figure, shares: [keepFloor(fine, line, [one])[0]!] } };
  }
  const even = wanted.some((w) => w.even);
  const by = wanted.find((w) => w.sharedBy)?.sharedBy;
  const [front, back] = keepFloor(c, line, paired(c, quarters(c, line, even, by), figure.finished)) as [
    Share,
    Share,
  ];
  return { ...line, figure: { ...figure, shares: [front, back] }, front, back };
}

/** Front and back quarters: by the measured front arc where there is one (the front takes half of what is added), else as the part shares it, else half and half moved by the house balance. */
function quarters(
  c: LineContext,
  { zone, figure, net }: BodyLine,
  even: boolean,
  by: LineWanted['sharedBy'],
): Share[] {
  const row = rowOf(zone);
  const arc = row.arc && !even ? (c.measured.get(row.arc)?.net ?? null) : null;
  const finished = figure.finished!;
  if (arc !== null && net !== null && arc < net) {
    const added = (face: string) =>
      partOf(
        'share',
        'half of what was added',
        (finished - net) / 2,
        2,
        `Ease and layers are shared half to the ${face}.`,
      );
    return [
      share(c, 'front', 2, [
        partOf('body', 'front arc', arc, 2, 'The front is as wide as its measured arc.'),
        added('front'),
      ]),
      share(c, 'back', 2, [
        partOf('body', 'rest of the body', net - arc, 2, 'The back is the girth less the front arc.'),
        added('back'),
      ]),
    ];
  }
  const quarter = partOf(
    'body',
    'finished',
    finished,
    4,
    even ? 'Half and half.' : 'Half and half: no front arc was read.',
  );
  const own = even ? null : by?.(c, net, finished);
  if (own) return own;
  const front = even || net === null ? null : frontBetween(c, zone);
  if (front !== null) {
    const because = `Front and back lie as at waist and hip, where front arcs were read: ${Math.round(100 * front)} % of the body in front.`;
    const added = partOf(
      'share',
      'half of what was added',
      (finished - net!) / 2,
      2,
      'Ease and layers are shared half to each face.',
    );
    return [
      share(c, 'front', 2, [partOf('body', 'front part', net! * front, 2, because), added]),
      share(c, 'back', 2, [partOf('body', 'rest of the body', net! * (1 - front), 2, because), added]),
    ];
  }
  const balance = even ? 0 : c.input.house.balance[row.balance];
  const moved = (sign: 1 | -1) =>
    balance === 0
      ? []
      : [
          term(
            'share',
            sign > 0 ? 'front share' : 'back share',
            sign * balance,
            'House balance between front and back.',
          ),
        ];
  return [share(c, 'front', 2, [quarter, ...moved(1)]), share(c, 'back', 2, [quarter, ...moved(-1)])];
}

/**
 * The part of the body that lies in front at a line between waist and hip that has no arc of its own: the mean of both
 * theirs, half where one was not read; null where neither was, or the line is none of those.
 */
function frontBetween(c: LineContext, zone: Zone): number | null {
  if (zone !== 'high-hip' && zone !== 'tummy') return null;
  const parts = (['waist', 'hip'] as const).map((z) => {
    const [arc, whole] = [c.measured.get(`${z}-front`)?.net ?? null, c.measured.get(z)?.net ?? null];
    return arc !== null && whole !== null && arc < whole ? arc / whole : null;
  });
  return parts.every((x) => x === null) ? null : ((parts[0] ?? 0.5) + (parts[1] ?? 0.5)) / 2;
}

const total = (shares: readonly Share[]) => shares.reduce((a, s) => a + s.times * s.rounded, 0);

/** Rounded as a pair, where the house does so: the back may differ by a step where that brings the sum nearer. */
function paired(c: LineContext, [front, back]: Share[], finished: Cm): Share[] {
  const step = stepOf(c.rounding);
  if (c.input.house.pairing === 'each' || step === 0 || c.rounding.mode !== 'nearest') return [front!, back!];
  const tries = [0, -step, step].map((by) => ({ ...back!, rounded: cm(back!.rounded + by) }));
  const off = (b: Share) => Math.abs(total([front!, b]) - finished);
  const best = tries.reduce((a, b) => (off(b) < off(a) - 1e-9 ? b : a));
  return [
    front!,
    best === tries[0]
      ? back!
      : { ...best, note: 'Rounded as a pair with the front: a step here brings the sum nearer.' },
  ];
}

/** A floor that the exact girth keeps is not lost to rounding: the last panel is marked a step wider where it would be. */
function keepFloor(c: LineContext, { zone, figure, net, own }: BodyLine, shares: Share[]): Share[] {
  const least = own ? null : floorGirth(c, zone, figure, net);
  const step = stepOf(c.rounding);
  const last = shares.at(-1);
  if (
    least === null ||
    step === 0 ||
    !last ||
    figure.finished! < least - 1e-9 ||
    total(shares) >= least - 1e-9
  )
    return shares;
  const kept = {
    ...last,
    rounded: cm(last.rounded + step),
    note: [last.note, `Marked a step wider, so that rounding keeps the floor (${FLOORS[zone]!.why}).`]
      .filter(Boolean)
      .join(' '),
  };
  return [...shares.slice(0, -1), kept];
}

/** The least marked girth that keeps the floor of a woven, cm; null where none applies. */
export function floorGirth(c: LineContext, zone: Zone, figure: Figure, net: Cm | null): Cm | null {
  const floor = FLOORS[zone];
  if (!floor || net === null || stretchAt(c, zone) > 0) return null;
  if (c.input.brief.fit === 'boned' && zone !== 'hip') return null;
  const layers = figure.terms.reduce((sum, t) => sum + (t.kind === 'layers' ? t.cm : 0), 0);
  return cm(net + layers + floor.least);
}

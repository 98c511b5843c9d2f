import { findMeasure } from '../measures/catalogue.ts';
import { sewingCup } from '../measures/cups.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import { chartDoubts, chartMeasures, type SizeChart, type SizeRow, type Span, sizeName } from './chart.ts';
import type { Wish, WishOf } from './wish.ts';
import {
  findZone,
  isUpper,
  PROFILE_SAYS,
  type Profile,
  WORKS,
  type Work,
  withinMeasuring,
  workOf,
  type Zone,
  zoneOrder,
} from './zones.ts';

/** One place of one size held against the body. Lengths cm, girths whole. */
export interface ZoneHeld {
  readonly id: string;
  readonly name: string;
  readonly work: Work;
  readonly body: Cm;
  /** what the garment of this size measures there, allowances out */
  readonly finished: Cm;
  readonly ease: Cm;
  readonly wish: Wish;
  /** more than wanted, less is negative; 0 within what measuring itself differs, and between least and most where both are said */
  readonly off: Cm;
  /** under what the cloth needs */
  readonly underFloor: boolean;
}
export interface SizeHeld {
  readonly row: SizeRow;
  readonly name: string;
  readonly zones: readonly ZoneHeld[];
  /** centimetres to alter, by how hard that is */
  readonly work: Readonly<Record<Work, Cm>>;
  /** in one line, why */
  readonly says: string;
}
export interface Ranking {
  readonly profile: Profile;
  /** by what sizes were chosen, in words */
  readonly by: string;
  /** the least work first */
  readonly sizes: readonly SizeHeld[];
  /** what to know before one is chosen */
  readonly says: readonly string[];
}

/** Hard work is compared in steps of this, cm: less is nothing that a choice should turn on (own choice). */
const HARD_STEP = 0.5;
/** Too tight is a little worse than too wide by as much: between two sizes the larger (common practice). */
const TIGHT = 1.2;

/**
 * Holds every size of a chart against a body and what is wanted, the least work first: hard places first, then the cup,
 * then what is graded easily; between two alike the larger. `net`: the body by measure id, cm.
 */
export function rankSizes(
  chart: SizeChart,
  profile: Profile,
  net: (id: string) => Cm | null,
  wishOf: WishOf,
): Ranking {
  const zones = chartMeasures(chart)
    .flatMap((id) => {
      const [zone, work, body] = [findZone(id), workOf(profile, id), bodyFor(profile, id, net)];
      if (!zone || !work || body === null || (chart.of === 'lengths' && !zone.length)) return [];
      const name = findMeasure(id)?.name ?? id;
      return [{ zone, work, body, wish: wishOf(zone), name, tolerance: withinMeasuring(id) }];
    })
    .sort((a, b) => zoneOrder(a.zone.id) - zoneOrder(b.zone.id));
  // A cup is nothing to a skirt: of each size the first of its rows.
  const byCup = isUpper(profile);
  const rows = byCup
    ? chart.rows
    : chart.rows.filter((r, i, all) => all.findIndex((q) => q.size === r.size) === i);
  const held = rows.map((row): SizeHeld => {
    const at: ZoneHeld[] = [];
    for (const known of zones) {
      const span = row.at[known.zone.id];
      if (span) at.push(hold(chart, known, span));
    }
    const total = { hard: 0, middle: 0, easy: 0 };
    for (const h of at) total[h.work] += worth(h);
    return {
      row,
      name: byCup ? sizeName(row) : row.size,
      zones: at,
      work: { hard: cm(total.hard), middle: cm(total.middle), easy: cm(total.easy) },
      // Of hundreds of sizes a few are read.
      get says() {
        return why(at);
      },
    };
  });
  const key = keysWithBlanks(zones, held);
  const most = Math.max(0, ...held.map((h) => h.zones.length));
  const sizes = held
    .map((h, i) => ({ h, i, key: key(h) }))
    .sort(
      (a, b) =>
        // Of two as good the one of which the chart says more.
        byKey(a.key, b.key) || b.h.zones.length - a.h.zones.length || b.i - a.i,
    )
    .map(({ h }) => h);
  return {
    profile,
    by: PROFILE_SAYS[profile],
    sizes: most === 0 ? [] : sizes,
    says: told(chart, profile, net, zones, sizes),
  };
}

/** How far the cup of a size is from the body’s: what its bust lacks beyond what its high bust lacks. A body past the end of a chart keeps its own cup, and is graded all round. */
function cupOff(s: SizeHeld): number {
  const off = (id: string) => s.zones.find((h) => h.id === id)?.off ?? null;
  const [high, full] = [off('high-bust'), off('bust')];
  return high === null || full === null || s.row.cup === null ? 0 : Math.abs(full - high);
}

const worth = (h: ZoneHeld): number => Math.abs(h.off) * (h.off < 0 ? TIGHT : 1);

/** By what sizes are compared. Where a chart leaves a size blank, the best that any size has there stands in: a blank is neither for it nor against it. */
function keysWithBlanks(zones: readonly KnownZone[], held: readonly SizeHeld[]) {
  const best = new Map<string, number>();
  for (const s of held)
    for (const h of s.zones) best.set(h.id, Math.min(best.get(h.id) ?? Number.POSITIVE_INFINITY, worth(h)));
  return (s: SizeHeld): readonly number[] => {
    const total = { ...s.work } as Record<Work, number>;
    if (s.zones.length < zones.length)
      for (const { zone, work } of zones) if (!s.row.at[zone.id]) total[work] += best.get(zone.id) ?? 0;
    return [Math.round(total.hard / HARD_STEP), Math.round(cupOff(s) / HARD_STEP), total.middle, total.easy];
  };
}

function byKey(a: readonly number[], b: readonly number[]): number {
  for (let k = 0; k < a.length; k++) if (Math.abs(a[k]! - b[k]!) > 1e-9) return a[k]! - b[k]!;
  return 0;
}

/** The places at which every size is too small, or too large, for the body; what is alike in every size tells nothing. */
function pastTheEnd(chart: SizeChart, sizes: readonly SizeHeld[]) {
  const seen = new Map<string, { name: string; all: number; under: number; over: number }>();
  for (const s of sizes)
    for (const h of s.zones) {
      const of = seen.get(h.id) ?? { name: h.name, all: 0, under: 0, over: 0 };
      seen.set(h.id, of);
      of.all++;
      if (h.off < 0) of.under++;
      if (h.off > 0) of.over++;
    }
  const varies = (id: string) => {
    const first = chart.rows.find((r) => r.at[id])?.at[id]?.least;
    return chart.rows.some((r) => r.at[id] && r.at[id].least !== first);
  };
  const told = [...seen].filter(([id, of]) => of.all > 1 && varies(id)).map(([, of]) => of);
  return {
    larger: told.filter((of) => of.under === of.all).map((of) => of.name),
    smaller: told.filter((of) => of.over === of.all).map((of) => of.name),
  };
}

/** The body at a place: for what is pulled on, the largest girth that its hip has to pass. */
function bodyFor(profile: Profile, id: string, net: (id: string) => Cm | null): Cm | null {
  if (profile !== 'pull-on' || id !== 'hip') return net(id);
  const all = ['hip', 'tummy', 'waist'].flatMap((x) => net(x) ?? []);
  return all.length === 0 ? null : cm(Math.max(...all));
}

/** Every finished figure is as much less as its seams hold: round the body both side seams have two edges, a sleeve has one seam, a length or a width an edge at each end. */
const lessAllowance = (chart: SizeChart, zone: Zone): number =>
  chart.of !== 'body' ? chart.allowance * (ROUND_BODY.includes(zone.id) ? 4 : 2) : 0;
const ROUND_BODY = ['bust', 'high-bust', 'underbust', 'waist', 'high-hip', 'hip', 'thigh', 'knee'];

/** A place that both the chart and the body know. Lengths cm. */
interface KnownZone {
  readonly zone: Zone;
  readonly work: Work;
  readonly body: Cm;
  readonly wish: Wish;
  readonly name: string;
  readonly tolerance: Cm;
}

function hold(
  chart: SizeChart,
  { zone, work, body, wish, name, tolerance }: KnownZone,
  span: Span,
): ZoneHeld {
  const laid = chart.of === 'body' ? (chart.ease[zone.id] ?? wish.want) : -lessAllowance(chart, zone);
  // Within its span a size is the body's own; beyond it, the nearer end counts.
  const wanted = body + wish.want;
  const finished = cm(Math.min(span.most + laid, Math.max(span.least + laid, wanted)));
  const ease = cm(finished - body);
  const low = wish.least ?? wish.want;
  const high = wish.most ?? wish.want;
  const beyond =
    wish.most !== null && ease >= Math.min(0, low) && ease <= high
      ? 0
      : ease > high
        ? ease - high
        : ease - wish.want;
  const off = Math.abs(beyond) <= tolerance + 1e-9 ? 0 : beyond;
  return {
    id: zone.id,
    name,
    work,
    body,
    finished,
    ease,
    wish,
    off: cm(off),
    underFloor: wish.least !== null && ease < wish.least - 1e-9,
  };
}

const amount = (h: ZoneHeld) =>
  `${h.name} ${p(cm(Math.abs(h.off)))} ${h.off < 0 ? 'too little' : 'too much'}`;
function why(zones: readonly ZoneHeld[]): string {
  if (zones.length === 0) return 'The chart says nothing of it that was measured.';
  const out = WORKS.flatMap((w) => zones.filter((h) => h.work === w && h.off !== 0));
  const fits = zones.filter((h) => h.off === 0).map((h) => h.name);
  if (out.length === 0) return `As wanted at ${fits.join(', ')}.`;
  const hard = out.filter((h) => h.work === 'hard');
  const rest = out.filter((h) => h.work !== 'hard');
  return `${[
    hard.length > 0 ? `hard to alter: ${hard.map(amount).join(', ')}` : '',
    rest.map(amount).join(', '),
    fits.length > 0 ? `as wanted at ${fits.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('; ')}.`.replace(/^./, (x) => x.toUpperCase());
}

/** What to know: beyond the chart’s ends, known at one place only, a body table taken for a finished one. */
function told(
  chart: SizeChart,
  profile: Profile,
  net: (id: string) => Cm | null,
  zones: readonly { readonly zone: Zone; readonly body: Cm }[],
  sizes: readonly SizeHeld[],
): string[] {
  const says = chartDoubts(chart);
  if (zones.length === 0) {
    says.push('Nothing that this chart gives was measured. Measure what it goes by, or use another chart.');
    return says;
  }
  if (zones.length === 1)
    says.push(
      `Only the ${findMeasure(zones[0]!.zone.id)?.name} is known of both: the size is chosen by it alone.`,
    );
  if (chart.of === 'lengths') {
    const wide = chartMeasures(chart).filter((id) => findZone(id)?.length !== true);
    says.push(
      `A table of lengths: it says which size is long enough, and nothing of how wide it is.${
        wide.length > 0 ? ` Left out: ${wide.map((id) => findMeasure(id)?.name ?? id).join(', ')}.` : ''
      }`,
    );
  }
  const tall = heightSays(chart, profile, net('stature'));
  if (tall) says.push(tall);
  if (chart.of !== 'lengths' && isUpper(profile) && !zones.some(({ zone }) => zone.id === 'high-bust'))
    says.push(
      net('high-bust') === null
        ? 'The high bust was not measured: a size chosen by the full bust is too large in the shoulders for a full cup.'
        : 'The chart gives no high bust: a size chosen by the full bust is too large in the shoulders for a full cup.',
    );
  const cup = cupOf(net);
  if (cup && chart.rows.some((r) => r.cup !== null))
    says.push(`Sewing cup ${cup}, of full bust less high bust.`);
  const past = pastTheEnd(chart, sizes);
  for (const end of ['smaller', 'larger'] as const)
    if (past[end].length > 0)
      says.push(`At ${past[end].join(', ')} the body is ${end} than every size of this chart.`);
  if (chart.of === 'finished') {
    const girths = (s: SizeHeld) =>
      s.zones.filter((h) => ['bust', 'waist', 'hip', 'high-bust'].includes(h.id));
    const near = [...sizes].sort((a, b) => apart(girths(a)) - apart(girths(b)))[0];
    const there = near ? girths(near) : [];
    if (there.length > 1 && there.every((h) => h.wish.want > 1.5 && h.ease <= withinMeasuring(h.id)))
      says.push(
        `Size ${near!.name} measures no more than the body anywhere. Is this a table of bodies, not of finished garments?`,
      );
  }
  return says;
}
/** Patterns of trousers are drafted for a height between these, cm (common practice). */
const HEIGHTS = { short: 160, tall: 172 } as const;
/** What the height of a body asks of trousers whose chart says nothing of their rise; null where nothing. */
function heightSays(chart: SizeChart, profile: Profile, stature: Cm | null): string | null {
  if (profile !== 'trousers' && profile !== 'pull-on') return null;
  if (stature === null || chartMeasures(chart).some((id) => id === 'rise' || id === 'crotch-length'))
    return null;
  const at = 'at the line between waist and crotch, front and back';
  if (stature >= HEIGHTS.tall) return `A body of ${p(stature)} is tall: add ${p(cm(2))} ${at}.`;
  return stature <= HEIGHTS.short
    ? `A body of ${p(stature)} is short: take ${p(cm(2))} to ${p(cm(3))} ${at}.`
    : null;
}
const apart = (zones: readonly ZoneHeld[]) => zones.reduce((t, h) => t + Math.abs(h.finished - h.body), 0);
const cupOf = (net: (id: string) => Cm | null): string | null => {
  const [bust, high] = [net('bust'), net('high-bust')];
  return bust === null || high === null ? null : sewingCup(bust, high);
};

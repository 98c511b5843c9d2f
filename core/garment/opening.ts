import { buildFigure, term } from '../figure/build.ts';
import { judge, type RawCheck, warn } from '../figure/check.ts';
import type { Notion } from '../figure/figure.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import type { Drafted, GarmentContext, OpeningMade } from './part.ts';
import { openingDepth, stockedZip } from './tables/zip.ts';

const PLACE = {
  'centre-back': 'centre back',
  'left-side': 'left side',
  'centre-front': 'centre front',
} as const;
/** Girths of the body that must pass through an opening at the waist. */
const PASSING = ['waist', 'high-hip', 'tummy', 'hip'];

/** Where each of them lies below the waist. */
const LEVEL: Readonly<Record<string, string>> = {
  'high-hip': 'waist-to-high-hip',
  tummy: 'waist-to-tummy',
  hip: 'waist-to-hip',
};

/**
 * The one opening of a garment, for the whole way the body must pass: from the upper edge of what it opens down to
 * where the marked girth lets the widest body girth through, in a zip that can be bought.
 */
export function openingOf(
  c: GarmentContext,
  drafts: readonly Drafted[],
): { readonly opening: OpeningMade; readonly checks: RawCheck[]; readonly notions: Notion[] } {
  const none = { opening: { zip: null, endsAt: null }, checks: [], notions: [] };
  if (!c.opens) return none;
  // What lies over its upper edge is crossed too: a stand collar at the centre back.
  const over = drafts.flatMap((d) => d.opensOver ?? []);
  const edge = drafts.map((d) => d.opensAbove).find((a) => a !== undefined) ?? cm(0);
  const above = cm(over.reduce<number>((sum, o) => sum + o.length, edge));
  const below = drafts.find((d) => d.girthAt);
  const unit = c.input.house.zips ?? c.input.house.rounding.unit;
  const least = (below ?? drafts.find((d) => d.opensAtLeast))?.opensAtLeast;
  // What opens all the way down lets everything through.
  const whole = least?.whole ?? false;
  const bodies = PASSING.filter((id) => isInside(c, id, below?.reaches ?? null)).flatMap(
    (id) => c.measured.get(id)?.net ?? [],
  );
  // Without a hip that was read, what must pass is not known: the zip goes down to where the hip lies.
  const guessed = below !== undefined && c.measured.get('hip')?.net == null;
  const marked = (depth: Cm) => below?.girthAt?.(depth) ?? null;
  const reaches = below?.reaches ?? cm(0);
  const widest = Math.max(0, ...bodies);
  const hipLevel = cm(Math.min(reaches, c.measured.get('waist-to-hip')?.net ?? c.input.house.hipDrop));
  const waist = marked(cm(0));
  const known = below ? waist !== null && (guessed || widest > 0) : drafts.every((d) => d.panels.length > 0);
  const needed = !known
    ? null
    : !below || whole
      ? cm(0)
      : guessed
        ? hipLevel
        : openingDepth(marked, waist!, cm(widest), reaches);
  const depth = needed === null ? null : cm(Math.max(needed, least?.depth ?? 0));
  const zipped = c.closes === 'zip';
  const zip = depth === null ? null : zipped ? stockedZip(cm(above + depth), unit) : cm(above + depth);
  const terms = [
    ...(edge > 0 ? [term('body', 'from the upper edge to the waist', edge, 'Measured on the panel.')] : []),
    ...over.map((o) => term('add', `up through the ${o.name}`, o.length, 'It is crossed too.')),
    ...(below && !whole
      ? [
          term(
            'body',
            'opening needed',
            needed ?? 0,
            guessed
              ? 'The hip was not measured: down to where it lies below the waist.'
              : `Down to where the marked girth lets the widest body girth (${p(widest)}) through.`,
          ),
        ]
      : []),
    ...(least && needed !== null && least.depth > needed + 1e-9
      ? [term('add', 'on to where it should reach', least.depth - needed, least.because)]
      : []),
    ...(zip !== null && depth !== null && zipped
      ? [term('add', 'to the next stocked length', zip - above - depth, 'House list of stocked zips.')]
      : []),
  ];
  const figure = buildFigure(c, {
    id: 'zip',
    section: 'opening',
    name: `${zipped ? 'zip' : 'opening'}, ${PLACE[c.opens]}`,
    group: 'opening',
    ...(zipped ? { bought: unit } : { nearest: needed === 0 }),
    known: zip !== null,
    estimated: guessed,
    terms: zip === null ? [] : terms,
    why: zip === null ? ['Not known until what it opens is drafted.'] : [],
  });
  const checks: RawCheck[] = [];
  if (known && zip === null)
    checks.push(
      warn(
        'zip',
        'zip',
        needed === null
          ? `No opening lets ${p(widest)} through: the marked girths are too narrow for the body.`
          : `No stocked zip is ${p(above + depth!)} long: order one, or open the garment elsewhere too.`,
      ),
    );
  else if (depth !== null && figure.finished !== null)
    checks.push(
      judge(
        figure.finished >= above + needed! - 1e-6,
        'zip',
        'zip',
        whole
          ? `The ${zipped ? 'zip' : 'opening'} of ${p(figure.finished)} opens it all the way down: everything passes.`
          : `The ${zipped ? 'zip' : 'opening'} of ${p(figure.finished)} opens to where ${below ? (guessed ? 'the hip lies' : `${p(widest)} passes`) : 'the garment ends'}; that needs ${p(above + (below ? needed! : depth))}.`,
      ),
    );
  return {
    opening: { zip: figure, endsAt: figure.finished === null ? null : cm(figure.finished - above) },
    checks,
    notions: zipped ? [{ name: 'zip', length: figure.finished, bought: unit, note: PLACE[c.opens] }] : [],
  };
}

/**
 * Whether a girth of the body has to pass: what hangs from the shoulder and ends above a line goes over the head and never
 * meets it.
 */
function isInside(c: GarmentContext, id: string, reaches: Cm | null): boolean {
  if (id === 'waist' || c.hang !== 'shoulder' || reaches === null) return true;
  const level = c.measured.get(LEVEL[id]!)?.net ?? (id === 'hip' ? c.input.house.hipDrop : null);
  return level === null || level <= reaches + 1e-9;
}

import type { Panel } from '../draft/panel.ts';
import { drift, easeMarked, type Making, markedGirth, withMark } from '../figure/build.ts';
import { judge, missing, pass, type RawCheck, warn } from '../figure/check.ts';
import type { Caution, Figure, Notion, Override, Piece } from '../figure/figure.ts';
import { findMeasure, measure } from '../measures/catalogue.ts';
import { cannotConvert, sidesApart, type WhichSide, withConverted } from '../measures/convert.ts';
import { type Measured, resolveAll } from '../measures/session.ts';
import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import { roundLength, stepOf } from '../units/rounding.ts';
import { type Adapted, actsOnPanels, adaptedParts } from './adapted-parts.ts';
import { asTaken } from './as-taken.ts';
import type { Carrying } from './carried.ts';
import { clothChecks, clothToBuy } from './cloth.ts';
import { belowWanted, type LengthValues, lengthChecks, lengthKeeps } from './common/length-wanted.ts';
import { totalCheck, totalLeaves } from './common/total-length.ts';
import { legChecks } from './dart-legs.ts';
import { withHemFacings } from './hem-facings.ts';
import type { PartBrief, SheetInput } from './input.ts';
import { jointOf, type Placed, placed } from './joins.ts';
import type { Joint } from './joint.ts';
import { CLOTH_NAME } from './laid-length.ts';
import { type Unused, unusedOf } from './leaves.ts';
import { type BodyLine, bodyLines, floorGirth, type LineContext, leastStretch, type Zone } from './lines.ts';
import { wantsOfPlaced } from './measuring.ts';
import { meetingCheck } from './meeting.ts';
import { onCloth } from './on-cloth.ts';
import { openingOf } from './opening.ts';
import { clothFor, clothsFor, inputOfPart, ofCloth, otherChecks } from './other-cloths.ts';
import { allowancesOf, allowancesTold, ofOwnCloth } from './own-cloth.ts';
import { ownChecks, withOwn } from './own-rules.ts';
import {
  CLOSES,
  type Closes,
  type Drafted,
  type GarmentContext,
  type JoinEdge,
  OPENS,
  type OpeningMade,
  type PartContext,
} from './part.ts';
import type { Picture, Place } from './picture.ts';
import { partFor } from './registry.ts';
import { withSeams } from './seam-picture.ts';
import { isMain } from './seams.ts';
import { othersSewnWith } from './sewn-with.ts';
import { type Shape, shouldersOf } from './shoulders.ts';
import { stepTerms } from './steps.ts';
import type { Allowances } from './tables/allowances.ts';
import { traitsOf } from './tables/cloth-traits.ts';
import { type EaseZone, type FitClass, FLOORS, type Hang } from './tables/fit.ts';
import {
  alike,
  bySide,
  centreChecks,
  type Halves,
  sideFigures,
  sidePieces,
  told,
  unlike,
} from './two-sides.ts';
import { linesOver, underliningsOf } from './underlined.ts';
import { zipPicture } from './zip-picture.ts';

/** A garment as it was put together: its figures, drafts and all that is read off them. */
export interface Garment {
  readonly hang: Hang;
  readonly fit: FitClass;
  readonly lines: readonly BodyLine[];
  /** places of single parts that have an ease */
  readonly zones: readonly { readonly zone: EaseZone; readonly figure: string }[];
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  readonly figures: readonly Figure[];
  readonly checks: readonly RawCheck[];
  readonly cautions: readonly Caution[];
  readonly pieces: readonly Piece[];
  readonly notions: readonly Notion[];
  readonly allowances: readonly { readonly name: string; readonly cm: Cm }[];
  /** what was read and moves nothing, each with why; worked out when it is printed */
  readonly unused: () => readonly Unused[];
  readonly panels: readonly Panel[];
  /** the panels of the left half: the same list where both sides are alike */
  readonly left: readonly Panel[];
  /** how it looks and where its figures lie, worked out when it is drawn */
  readonly look: () => { readonly pictures: readonly Picture[]; readonly places: readonly Place[] };
  readonly opening: OpeningMade;
  /** what closes it; null where it does not open */
  readonly closes: Closes | null;
  /** overrides that could not be followed, each with the reason */
  readonly refused: readonly { readonly override: Override; readonly sentence: string }[];
  readonly measured: ReadonlyMap<string, Measured>;
  /** a part of it is longer on one side: the other half is a draft of its own */
  readonly uneven: boolean;
}

/** Layers in the order they are cut. */
const LAYERS: readonly Piece['layer'][] = ['outer', 'underlining', 'lining', 'interfacing'];

/**
 * Drafts a garment from its brief and readings, with what was agreed at its fittings and taken into the sheet. Pure.
 * @throws RangeError for parts that are no garment (see garmentProblems)
 */
export function makeGarment(asked: SheetInput): Garment {
  const input = { ...asked, house: withOwn(asked.house, asked.brief.own) };
  const changes = input.changes ?? [];
  const plan = changes[0]?.plan;
  const half = (which: WhichSide, left: Garment | null): Garment => {
    const taken = plan ? plan(changes, drafted({ ...input, changes: [] }, null, which, null)) : null;
    return drafted(input, taken, which, left);
  };
  // Where left and right were read apart, the left half is a draft of its own.
  const apart =
    input.readings.some((r) => findMeasure(r.measure)?.side === 'left') &&
    sidesApart(resolveAll(input.readings)).length > 0;
  if (apart) return half('right', half('left', null));
  const alone = half('right', null);
  return alone.uneven ? half('right', half('left', null)) : alone;
}

/** What the parts of a garment are drafted from: readings, rules, body lines. */
function groundOf(input: SheetInput, taken: Carrying | null, which: WhichSide) {
  const steps = input.brief.steps ?? [];
  const { parts: briefs, refused: notTaken } = adaptedParts(input.brief.parts, steps, partFor);
  const rows = placed(briefs.map((b) => b.part));
  const stepped = stepsOfHand(input.house.rounding.unit);
  const house = shapeFor(input.house.shape, stepped);
  const hang: Hang = rows.some((r) => r.part.hangsFrom === 'shoulder') ? 'shoulder' : 'waist';
  const resolved = resolveAll(input.readings);
  const converted = withConverted(resolved, which);
  const netOf = (id: string) => converted.get(id)?.net ?? null;
  const shape = shapeOf(resolved, netOf, house);
  const { measured, not } = asTaken(converted, input, hang, cm((netOf('neck-width') ?? shape.neckWidth) / 2));
  const refused: Garment['refused'][number][] = [];
  const making: Making = {
    rounding: input.house.rounding,
    overridesOf: input.overrides.length
      ? (figure) => {
          const own = input.overrides.filter((o) => o.figure === figure);
          return taken ? own.map(taken.override) : own;
        }
      : () => input.overrides,
    refuse: (override, sentence) => void refused.push({ override, sentence }),
    stepsOf:
      steps.length === 0 && !taken
        ? undefined
        : (figure) => {
            const row = rows.find((r) => figure.startsWith(`${r.key}.`));
            const own = row ? stepTerms(steps, row.index, figure.slice(row.key.length + 1)) : [];
            return taken ? [...own, ...taken.terms(figure)] : own;
          },
  };
  const values = (r: Placed): PartBrief => briefs[r.index]!;
  const base = {
    input,
    which,
    measured,
    hang,
    stepped,
    shape,
    allowances: allowancesOf(input),
    ...making,
  };
  const first = rows.find((r) => 'zip' in r.part.fields);
  const opens = OPENS.find((o) => first && values(first).zip === o) ?? null;
  const closes = CLOSES.find((k) => first && values(first).closes === k) ?? 'zip';
  const { joint, shaped } = jointOf(rows, values);
  const wanted = rows.flatMap((r) => {
    const of = inputOfPart(input, r.key);
    const { stretch } = of.brief.cloth;
    const own = linesOver(r.part.lines(values(r) as never, { opens, closes, joint, ...base }), of);
    return input.brief.cloths ? own.map((w) => ({ ...w, stretch })) : own;
  });
  const gives = input.brief.cloths ? { gives: leastStretch(wanted) } : {};
  const lines = bodyLines({ ...base, ...gives } satisfies LineContext, wanted, (line) =>
    rows.flatMap((r) => r.part.lifts?.(values(r) as never, line, input.brief.fit) ?? []),
  );
  const context: GarmentContext = {
    opens,
    closes,
    joint,
    line: (zone: Zone) => lines.get(zone),
    ...base,
    ...gives,
  };
  return {
    steps,
    notTaken,
    rows,
    values,
    measured,
    not,
    refused,
    hang,
    base: { ...base, ...gives },
    lines,
    context,
    shaped,
  };
}

/** Every part drafted in turn, with the steps and the cloth that act on its panels, and what was agreed at fittings. */
function partsOf(input: SheetInput, taken: Carrying | null, { steps, rows, values, base, context }: Ground) {
  const plain = clothsFor(input.brief).every(({ cloth }) => traitsOf(cloth).length === 0);
  const shaped = actsOnPanels(steps);
  const adapted = new Map<number, Adapted>();
  const drafts = new Map<number, Drafted>();
  /** A part's draft with the steps that act on its panels. */
  const reshaped = (r: Placed, draft: Drafted, { side }: Allowances): Drafted => {
    const own = steps.flatMap((taken, i) => (taken.part === r.index ? [{ taken, number: i + 1 }] : []));
    const a = r.part.reshape?.(r.key, draft.panels, own, side);
    if (!a) return draft;
    adapted.set(r.index, a);
    return { ...draft, panels: a.panels, places: () => draft.places().map(a.place) };
  };
  const plainly = rows.map((r) => {
    const above = Object.values(r.joinedTo)[0];
    const joined = new Set(
      rows.flatMap((o) =>
        (Object.entries(o.joinedTo) as [JoinEdge, number][]).flatMap(([edge, to]) =>
          to === r.index ? [edge] : [],
        ),
      ),
    );
    const c: PartContext = {
      key: r.key,
      id: (name) => `${r.key}.${name}`,
      above: above === undefined ? null : drafts.get(above)!,
      below: joined.has('waist'),
      joined,
      ...context,
      ...ofOwnCloth(input, r.key),
    };
    const bare = r.part.draft(c, values(r) as never);
    const drafted = shaped ? reshaped(r, bare, c.allowances) : bare;
    const beneath = underliningsOf(input, drafted.panels);
    const laid = plain ? drafted.panels : drafted.panels.map((p) => onCloth(p, clothFor(input, p)));
    const draft = plain && beneath.length === 0 ? drafted : { ...drafted, panels: [...laid, ...beneath] };
    drafts.set(r.index, draft);
    return { r, c, draft, values: values(r) as never };
  });
  const all = taken ? redrafted(plainly, taken) : { made: plainly, halves: null };
  if (!input.brief.own?.hemFaced) return { plain, adapted, ...all };
  // Facings follow the hems as they are by now.
  const faced = (panels: readonly Panel[]) => withHemFacings(panels, base.allowances, base.stepped);
  const apart = all.halves && all.halves.left !== all.halves.right ? all.halves : null;
  return {
    plain,
    adapted,
    made: all.made.map((m) => ({ ...m, draft: { ...m.draft, panels: faced(m.draft.panels) } })),
    halves: apart && told(faced(apart.right), faced(apart.left)),
  };
}
type Ground = ReturnType<typeof groundOf>;

/** Neck and shoulders of the side that is drafted; the neck is one for both, from the mean of two shoulders. */
function shapeOf(
  resolved: ReadonlyMap<string, Measured>,
  netOf: (id: string) => Cm | null,
  house: SheetInput['house']['shape'],
): Shape {
  const own = shouldersOf(netOf, house);
  const apart = sidesApart(resolved);
  if (apart.length === 0) return own;
  const mean = new Map(apart.map((s) => [s.of, cm((s.left + s.right) / 2)]));
  const { neckWidth, neckByGirth, neckSays, across } = shouldersOf((id) => mean.get(id) ?? netOf(id), house);
  return { ...own, neckWidth, neckByGirth, neckSays, across };
}

/** @param left the left half’s own draft, where left and right were read apart */
function drafted(input: SheetInput, taken: Carrying | null, which: WhichSide, left: Garment | null): Garment {
  const ground = groundOf(input, taken, which);
  const { notTaken, rows, values, measured, not, refused, hang, base, lines, context, shaped } = ground;
  const { plain, adapted, made, halves: own } = partsOf(input, taken, ground);
  const was = made.flatMap((m) => m.draft.panels);
  const halves = left ? told(was, left.left) : (own ?? alike(was));
  const {
    opening,
    checks: zipChecks,
    notions: zipNotions,
  } = openingOf(
    context,
    made.map((m) => m.draft),
  );
  const partFigures = made.flatMap((m) => m.r.part.figures(m.c, m.values, m.draft as never));
  const crossed = [...lines.values()].filter((l) => onGarment(l, hang, made));
  const drawn = [
    ...crossed.map((l) => l.figure),
    ...crossed.flatMap((l) => l.levelFigure ?? []),
    ...partFigures,
    ...(opening.zip ? [opening.zip] : []),
  ];
  const ofHalf = taken ? taken.figures(drawn) : drawn;
  const bare = left ? sideFigures(ofHalf, left.figures) : ofHalf;
  const marked = taken ? readAgain(crossed, bare) : crossed;
  for (const o of input.overrides)
    if (!bare.some((f) => f.id === o.figure))
      refused.push({ override: o, sentence: `This sheet has no figure called “${o.figure}”.` });
  const cuttings = made.map((m) => m.r.part.cutting(m.c, m.values, m.draft as never, opening));
  const listed = cuttings.flatMap((k) => k.pieces);
  const pieces = inOrder(
    input,
    halves.left === halves.right ? listed : sidePieces(listed, halves, was, input.house.rounding),
    bySide(halves),
  );
  const cloth = clothToBuy(input, pieces, bySide(halves));
  const checks = [
    ...refused.map(({ override: o, sentence }) =>
      warn(
        `by-hand-${o.figure}`,
        o.figure,
        `The ${o.target} of ${o.figure} set by hand cannot be followed. ${sentence}`,
      ),
    ),
    ...(taken ? taken.checks(bare) : []),
    ...fitChecks(input),
    ...jointChecks(shaped),
    ...ownChecks(input.brief, context.opens !== null && context.closes === 'zip', bare, was),
    ...[...notTaken, ...[...adapted.values()].flatMap((a) => a.refused)].map((sentence, i) =>
      warn(`step-left-out-${i + 1}`, null, sentence),
    ),
    ...lineChecks(base, marked),
    ...joinChecks(made, context.joint),
    ...sidesChecks(input, halves),
    ...legChecks(was, bare),
    ...made.flatMap((m) => m.r.part.checks(m.c, m.values, m.draft as never, opening)),
    ...made.flatMap(({ r, c, values: own }) => wantedLength(r, c, own)),
    ...zipChecks,
    ...cloth.checks,
    ...otherChecks(input, pieces, was),
    ...(plain ? [] : clothChecks(input, was)),
    ...driftChecks(base, bare),
    ...not.map((n) => warn(`not-taken-${n.measure}`, null, n.sentence)),
    ...referenceChecks(
      measured,
      rows.flatMap((r) => r.part.wants(values(r) as never).needs),
    ),
  ];
  const warned = new Set(checks.filter((k) => k.state === 'warned').map((k) => k.figure));
  return {
    hang,
    closes: context.opens === null ? null : context.closes,
    fit: input.brief.fit,
    lines: marked,
    zones: made.flatMap((m) => m.draft.zones ?? []),
    sections: [
      { id: 'body', name: 'Girths and levels' },
      ...made.map((m) => ({ id: m.r.key, name: m.r.part.name })),
      { id: 'opening', name: 'Opening' },
    ],
    figures: bare.map((f) => (warned.has(f.id) ? withMark(f, 'warned') : f)),
    checks: left ? withLeft(checks, left.checks) : checks,
    cautions: unique(
      cuttings.flatMap((k) => k.cautions),
      (k) => k.code,
    ),
    pieces,
    notions: unique(
      [
        ...cloth.notions,
        ...zipNotions,
        ...cuttings.flatMap((k) => k.notions),
        ...othersSewnWith(input.brief, pieces),
      ],
      (n) => n.name,
    ),
    allowances: allowancesTold(made.map(({ r }, i) => [r.part.name, cuttings[i]!.allowances])),
    unused: () =>
      unusedOf(
        base,
        made.map((m) => ({
          asks: [
            ...Object.values(wantsOfPlaced(m.r, m.values, context.joint)).flat(),
            ...(m.draft.uses ?? []),
            ...neckUses(m.c, m.values),
          ],
          leaves: lengthKeeps(base, m.values, {
            ...(m.r.joinedTo.waist === undefined ? {} : totalLeaves(m.c, true)),
            ...m.r.part.leaves?.(m.c, m.values, m.draft as never),
          }),
        })),
      ),
    panels: halves.right,
    left: halves.left,
    look: () => ({
      places: made.flatMap((m) => m.draft.places()),
      pictures: [
        ...made.flatMap((m) =>
          withSeams(m.r.part.picture(m.c, m.values, m.draft as never), adapted.get(m.r.index)),
        ),
        zipPicture(context, opening, made, marked),
      ],
    }),
    opening,
    refused,
    measured,
    uneven: made.some((m) => m.draft.uneven === true),
  };
}

/** Pieces in the order they are cut, each with the cloth it is cut from. */
function inOrder(input: SheetInput, pieces: readonly Piece[], panels: readonly Panel[]): Piece[] {
  const is = new Map(panels.map((p) => [p.id, p.is]));
  const own = (p: Piece) => is.get(p.panel);
  return pieces
    .map((p) => ({ ...p, ...ofCloth(input, { id: p.panel, layer: p.layer, ...whose(own(p)) }) }))
    .sort((a, b) => LAYERS.indexOf(a.layer) - LAYERS.indexOf(b.layer));
}
const whose = (is: Panel['is']): Pick<Panel, 'is'> => (is ? { is } : {});

/** A garment’s checks with those that only its left half does not pass. */
function withLeft(right: readonly RawCheck[], left: readonly RawCheck[]): RawCheck[] {
  const warned = new Set(right.flatMap((k) => (k.state === 'warned' ? [k.code] : [])));
  return [
    ...right,
    ...left.flatMap((k) =>
      k.state === 'warned' && !warned.has(k.code) && k.code !== 'two-sides'
        ? [{ ...k, code: `${k.code}-left`, sentence: `On the left: ${k.sentence}` }]
        : [],
    ),
  ];
}

/** The girth of the neck is not asked for beside its width; where it was read and the width was not, a neckline goes by it. */
const neckUses = (c: PartContext, values: object): readonly string[] =>
  c.shape.neckByGirth && 'neckFront' in values && (values as { plan?: unknown }).plan !== 'quarter'
    ? ['neck-base']
    : [];

/** Whether the length that the brief wants of a part can be, and goes with a whole length that was read. */
function wantedLength(r: Placed, c: PartContext, own: object): RawCheck[] {
  const told = lengthChecks(c, own, r.part.free ? 'length' : r.part.fields.below ? 'below' : 'hem-front');
  if (r.joinedTo.waist === undefined || !('lengthFrom' in own)) return told;
  const wanted = belowWanted(c, own as LengthValues);
  const below = wanted && cm(wanted.reduce((sum, t) => sum + t.cm, 0));
  return [...told, ...(below === null ? [] : totalCheck(c, below, 'hem-front'))];
}

/** The parts with what was agreed at a fitting done on their panels, all of the garment’s at once, and both halves of it. */
function redrafted<M extends { readonly draft: Drafted }>(
  made: readonly M[],
  taken: Carrying,
): { readonly made: M[]; readonly halves: Halves } {
  const halves = taken.panels(made.flatMap((m) => m.draft.panels));
  const byId = new Map(halves.right.map((p) => [p.id, p]));
  return {
    halves,
    made: made.map((m) => ({
      ...m,
      draft: { ...m.draft, panels: m.draft.panels.map((p) => byId.get(p.id) ?? p) },
    })),
  };
}

/** Whether the sides are alike, and what of it was read: a garment of two halves is said to be one. */
function sidesChecks(input: SheetInput, halves: Halves): RawCheck[] {
  if (halves.left === halves.right) return [];
  const apart = sidesApart(resolveAll(input.readings));
  // Common practice, no source: a pad evens out shoulders more quietly than the cut does.
  const pad = apart.some((s) => s.of === 'shoulder-drop')
    ? ' Or pad the lower shoulder, and read that side over the pad.'
    : '';
  const read = apart.map(
    (s) => `${measure(s.of).name} ${p(s.left)} on the left and ${p(s.right)} on the right`,
  );
  const cut = unlike(halves).filter(({ right }) => isMain(right));
  return [
    pass(
      'two-sides',
      null,
      `Left and right are not alike${read.length > 0 ? `: ${read.join(', ')}` : ''}. The figures are the right half’s. Cut each side for itself: ${cut.map((u) => u.right.name).join(', ')}.${pad}`,
    ),
    ...centreChecks(halves),
  ];
}

/** Body lines with their figures as they are after what was done on the panels. */
const readAgain = (lines: readonly BodyLine[], figures: readonly Figure[]): BodyLine[] =>
  lines.map((l) => ({ ...l, figure: figures.find((f) => f.id === l.figure.id) ?? l.figure }));

/** What was read by another reference than the sheet goes by, and cannot be brought over: said, never mixed in. */
function referenceChecks(measured: ReadonlyMap<string, Measured>, wanted: readonly string[]): RawCheck[] {
  return [...new Set(wanted)].flatMap((id) => {
    const sentence = measured.get(id)?.net == null ? cannotConvert(id, measured) : '';
    return sentence ? [{ ...pass(`reference-${id}`, null, sentence) }] : [];
  });
}

/** The first of each name. */
function unique<T>(list: readonly T[], by: (x: T) => string): T[] {
  const seen = new Set<string>();
  return list.filter((x) => {
    const key = by(x);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** A house length for the hand that marks: the nearest eighth where it marks in inches. */
const stepsOfHand =
  (unit: SheetUnit) =>
  (length: Cm): Cm =>
    unit === 'cm' ? length : roundLength(length, { unit, step: 0.125, mode: 'nearest' });

/** The house's shaping figures in such steps. */
function shapeFor(
  shape: SheetInput['house']['shape'],
  stepped: (length: Cm) => Cm,
): SheetInput['house']['shape'] {
  return {
    slope: shape.slope,
    sideRise: stepped(shape.sideRise),
    backDrop: stepped(shape.backDrop),
    centreIn: stepped(shape.centreIn),
    neckWidth: stepped(shape.neckWidth),
    forkForward: stepped(shape.forkForward),
  };
}

/** A bodice that was to end under the bust goes on down to a skirt that cannot hang from there. */
const jointChecks = (shaped: Placed['part'] | null): RawCheck[] =>
  shaped
    ? [
        warn(
          'ends-at-waist',
          null,
          `The bodice ends at the waist, not under the bust: the ${shaped.name} is shaped from the waist down. Choose a gathered, tiered or circle skirt to hang from a seam under the bust.`,
        ),
      ]
    : [];

/** A fit that the cloth cannot give. */
function fitChecks({ brief }: SheetInput): RawCheck[] {
  if (brief.fit !== 'second-skin') return [];
  return clothsFor(brief).flatMap(({ of, cloth }) => {
    if (cloth.stretch > 25) return [];
    const called = of === 'outer' ? 'cloth' : CLOTH_NAME[of];
    return [
      warn(
        of === 'outer' ? 'fit-stretch' : `fit-stretch-${of}`,
        null,
        `Second skin on a ${called} that stretches ${cloth.stretch} %: it is cut with no ease at all and could neither be put on nor breathed in. Give the cloth's stretch, or another fit.`,
      ),
    ];
  });
}

/** Absent lines, and floors judged on what is marked. */
/**
 * Whether a line lies on the garment: what hangs from the shoulder and ends above it only leans toward it, and has no
 * such girth to print. One that was set by hand is shown, since it moves what leans toward it.
 */
function onGarment(l: BodyLine, hang: Hang, made: readonly { readonly draft: Drafted }[]): boolean {
  const ends = made.flatMap(({ draft: d }) => (d.girthAt && d.reaches !== undefined ? d.reaches : []));
  if (hang !== 'shoulder' || l.level === null || ends.length === 0 || l.figure.overrides.length > 0)
    return true;
  return l.level <= Math.max(...ends) + 1e-9;
}

function lineChecks(c: LineContext, lines: readonly BodyLine[]): RawCheck[] {
  return lines.flatMap((l) => {
    const { figure, zone, net, own } = l;
    if (figure.finished === null)
      return [
        missing(
          `absent-${zone}`,
          zone,
          `The ${figure.name} was not measured: the sheet cannot give it, and nothing is guessed.`,
        ),
      ];
    const floor = FLOORS[zone];
    const least = floorGirth(c, zone, figure, net);
    if (!floor || least === null || own) return [];
    const ease = easeMarked(figure, net!);
    const holds = markedGirth(figure)! >= least - 1e-9;
    // What was agreed for the garment with its reason is told, and not asked again at every line.
    const agreed = holds ? undefined : c.input.house.ease.own?.[zone];
    return [
      judge(
        holds || agreed !== undefined,
        `floor-${zone}`,
        zone,
        `${figure.name}: ease ${p(ease)} as marked, the floor in a woven is ${p(floor.least)} (${floor.why}).${agreed ? ` ${agreed.because}` : ''}`,
      ),
    ];
  });
}

/** Each edge at which two parts meet, judged by what the part that takes it expects. */
function joinChecks(made: readonly { r: Placed; draft: Drafted }[], joint: Joint): RawCheck[] {
  return made.flatMap(({ r, draft }) =>
    (Object.entries(r.joinedTo) as [JoinEdge, number][]).flatMap(([edge, index]) => {
      const other = made.find((m) => m.r.index === index)!;
      const [given, taken] = [other.draft.sewn[edge], draft.sewn[edge]];
      if (given == null || taken == null) return [];
      return [
        meetingCheck({
          edge,
          at: edge === 'waist' && joint !== 'waist' ? 'at the seam under the bust' : `at the ${edge}`,
          gives: { name: other.r.part.name, sewn: given },
          takes: { name: r.part.name, sewn: taken },
          meeting: draft.meets?.[edge] ?? { kind: 'equal' },
        }),
      ];
    }),
  );
}

function driftChecks(c: LineContext, figures: readonly Figure[]): RawCheck[] {
  if (c.rounding.step === 0) return [];
  return figures.flatMap((f) => {
    const d = drift(f);
    if (d === null) return [];
    const over = Math.abs(d) > f.tolerance + 1e-9;
    // A house that rounds up has agreed to up to a step on every panel: that is its rule, not a fault of this sheet.
    const ruled =
      over && c.rounding.mode === 'up' && d < f.shares.reduce((a, s) => a + s.times, 0) * stepOf(c.rounding);
    // Where both print as the same fraction, what lies between them is said in words.
    const printsAlike = p(cm(Math.abs(d))) === p(f.tolerance);
    return [
      judge(
        !over || ruled,
        `drift-${f.id}`,
        f.id,
        `${f.name}: the rounded panels make ${p(markedGirth(f)!)}, drift ${d > 0 ? '+' : ''}${p(d)}${over ? `, ${printsAlike ? 'a little ' : ''}more than the tolerance of ${p(f.tolerance)}` : ''}${ruled ? ', as the studio’s rule rounds every panel up' : ''}.`,
      ),
    ];
  });
}

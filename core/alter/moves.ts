import { edgeLength, sewnLength, spanAt } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import {
  faceOf,
  isFacing,
  isMain,
  kindOf,
  partOf,
  perHalf,
  SEAM_NAME,
  type SeamKind,
} from '../garment/seams.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { perEdge, totalOf } from './asked.ts';
import { type Making, noteBox } from './boxes.ts';
import { addDart, addInnerDart, dartsBy, freeAt, moveDarts } from './darts.ts';
import { fuller, turnedDart } from './fuller.ts';
import type { Move } from './kind.ts';
import { moveEdge } from './move-edge.ts';
import { faceAsked, placesOf, type SeamPlace, sharedWith } from './places.ts';
import { even, mostOut, type Profile, scaled } from './profile.ts';
import { CannotAlter } from './refusal.ts';
import { heightOf, runOf } from './run.ts';
import { level, slash, tuck, turn } from './slash.ts';
import { spread } from './spread.ts';

/** What must stay of a seam allowance that is let out, and what a new hem needs, cm [¼ in; ¾ in] (house figures, no source). */
export const KEPT_ALLOWANCE = cm(0.6);
export const NEW_HEM = cm(2);
/** How long a new dart is where nothing else is said, to each end where it has two, cm (house figure, no source). */
const NEW_DART = cm(10);

type Of<D extends Move['do']> = Extract<Move, { do: D }>;

/** One move on every piece and layer that bears it. @throws CannotAlter in a sentence where nothing does */
export function made(panels: readonly Panel[], move: Move, m: Making): readonly Panel[] {
  switch (move.do) {
    case 'edge':
      return edgesMoved(panels, move, m);
    case 'level':
    case 'wedge':
      return acrossMoved(panels, move, m);
    case 'dart':
      return dartsChanged(panels, move, m);
    case 'dart-shift':
      return dartsShifted(panels, move, m);
    case 'dart-new':
      return dartAdded(panels, move, m);
    case 'spread':
      return spreadOut(panels, move, m);
    case 'keep-waist':
      return waistKept(panels, m);
    case 'fuller':
      return overTheBust(panels, m);
  }
}

/** Whether a garment bears a move at all, without making it. @throws CannotAlter in a sentence where it does not */
export function mustBear(panels: readonly Panel[], move: Of<'edge'>, asked: Making['asked']): void {
  for (const p of placesBorne(panels, move, asked)) if (p.main) runOf(p, asked, move);
}

const at = (face: string | null) => (face ? ` at the ${face}` : '');

/** The panel with its edge moved; null for a facing that is too narrow for it, and is cut anew along the new edge. */
function moved(panel: Panel, { edge }: SeamPlace, profile: Profile, move: Of<'edge'>): Panel | null {
  try {
    return moveEdge(panel, edge.id, profile, move.way, [`vent-${edge.id}`]);
  } catch (error) {
    if (!(error instanceof CannotAlter) || !isFacing(panel)) throw error;
    return null;
  }
}

const seamWord = (move: Of<'edge'>, face: string | null) => {
  const name = SEAM_NAME[move.seam[0]!];
  return face && !name.includes(face) ? `${name}${at(face)}` : name;
};

function placesBorne(panels: readonly Panel[], move: Of<'edge'>, asked: Making['asked']): SeamPlace[] {
  const places = placesOf(panels, move, asked);
  if (!places.some((p) => p.main))
    throw new CannotAlter(
      `This garment has no ${
        move.beside && placesOf(panels, { ...move, beside: undefined }, asked).length > 0
          ? `${seamWord(move, null)} beside ${move.beside.includes('hem') ? 'a' : 'an'} ${SEAM_NAME[move.beside[0]!]}`
          : seamWord(move, faceAsked(move, asked))
      }${asked.part ? ` on its ${asked.part}` : ''}.`,
    );
  return places;
}

function edgesMoved(panels: readonly Panel[], move: Of<'edge'>, m: Making): readonly Panel[] {
  const places = placesBorne(panels, move, m.asked);
  const profiles = new Map(places.filter((p) => p.main).map((p) => [p, profileOf(p, places, move, m)]));
  const now = new Map(panels.map((p) => [p.id, p]));
  for (const p of places) {
    const own = profiles.get(p) ?? likeMain(p, profiles);
    if (!own) continue;
    const panel = now.get(p.panel.id)!;
    limit(panel, p, own, m);
    const made = moved(panel, p, own, move);
    if (made) box(m, p, own);
    else noteBox(m, panel, `new ${p.edge.name}`, null, true);
    now.set(panel.id, made ?? { ...panel });
  }
  return follow(
    panels,
    panels.map((p) => now.get(p.id)!),
    m,
  );
}

/** What one edge of a main panel gets along itself, signed, from its own first point. */
function profileOf(p: SeamPlace, all: readonly SeamPlace[], move: Of<'edge'>, m: Making): Profile {
  const { asked, which } = m;
  const sign = asked.direction.sign;
  if (asked.legs && isHem(p)) return legProfile(p, m);
  if (asked.hem && isHem(p)) {
    const middle = p.seam.face === 'back' ? asked.hem.back : asked.hem.front;
    const side = asked.hem[which];
    if (p.seam.face === null && Math.max(...marks(asked.hem)) - Math.min(...marks(asked.hem)) > 1e-9)
      throw new CannotAlter(
        `The ${p.panel.name}s of this ${p.seam.part} are cut alike: a hem that differs round it is marked on each when it hangs. Give one amount here, and the rest as a note.`,
      );
    return curved(p, (share) => sign * (middle + (side - middle) * eased(share)));
  }
  const by = move.amount === 'each' ? totalOf(asked) : sharedBy(p, all, move, m);
  return scaled(runOf(p, asked, move), move.turned ? -by : by);
}
/**
 * A part without the seam that is meant takes on the whole what the part with it takes, shared over the seams it has:
 * where a bodice is taken in at its sides, the gores of its skirt follow by as much all round.
 */
function sharedBy(p: SeamPlace, all: readonly SeamPlace[], move: Of<'edge'>, { asked }: Making): number {
  const own = sharedWith(p, all);
  const meant = all.filter((q) => q.main && q.seam.kind === move.seam[0]);
  if (p.seam.kind === move.seam[0] || meant.length === 0) return perEdge(asked, p.seam.face, own);
  const first = meant.filter((q) => q.seam.part === meant[0]!.seam.part);
  const half = first.reduce(
    (n, q) => n + perEdge(asked, q.seam.face, sharedWith(q, all)) * perHalf(q.panel),
    0,
  );
  return half / (own.front + own.back);
}
const isHem = ({ seam, edge }: SeamPlace) =>
  seam.kind === 'hem' || (seam.kind === 'waist' && edge.turned === true);
const marks = (h: NonNullable<Making['asked']['hem']>) => [h.front, h.left, h.right, h.back];

/** The hem of a leg: marked outside, in the middle of the face and inside. */
function legProfile(p: SeamPlace, { asked, which }: Making): Profile {
  const leg = asked.legs![which];
  const sign = asked.direction.sign;
  const middle = p.seam.face === 'back' ? leg.back : leg.front;
  const i = p.panel.edges.indexOf(p.edge);
  const insideLast = p.panel.edges[(i + 1) % p.panel.edges.length]!.id === 'inseam';
  const [a, b] = insideLast ? [leg.outside, leg.inside] : [leg.inside, leg.outside];
  const length = edgeLength(p.panel, p.edge.id);
  // One curve through the three marks: a hem has no corner in the middle of its face.
  return Array.from({ length: STATIONS + 1 }, (_, k) => {
    const t = k / STATIONS;
    const by = a * (1 - t) * (1 - 2 * t) + middle * 4 * t * (1 - t) + b * t * (2 * t - 1);
    return { at: cm(t * length), by: cm(by * sign) };
  });
}

/** Stations of a hem whose marks differ. */
const STATIONS = 8;
/** Level at both ends, so that the hem meets centre and side as square as it did. */
const eased = (t: number): number => (1 - Math.cos(Math.PI * t)) / 2;
/** What an edge gets by its share of the seam, 0 at the seam’s beginning and 1 at its end. */
function curved(p: SeamPlace, at: (share: number) => number): Profile {
  const length = edgeLength(p.panel, p.edge.id);
  return Array.from({ length: STATIONS + 1 }, (_, k) => {
    const s = (length * k) / STATIONS;
    const along = p.seam.from + (p.seam.against ? length - s : s);
    return { at: cm(s), by: cm(at(along / p.seam.whole)) };
  });
}

/** What a facing or a lining gets: the same as the panel it lies on, as far along the seam as it lies itself. */
function likeMain(p: SeamPlace, mains: ReadonlyMap<SeamPlace, Profile>): Profile | undefined {
  const like = [...mains.keys()].filter(
    (q) => q.seam.part === p.seam.part && q.seam.kind === p.seam.kind && q.seam.face === p.seam.face,
  );
  const of = like.find((q) => p.panel.id.startsWith(q.panel.id)) ?? like[0] ?? [...mains.keys()][0];
  if (!of) return undefined;
  const profile = mains.get(of)!;
  const [own, theirs] = [edgeLength(p.panel, p.edge.id), edgeLength(of.panel, of.edge.id)];
  if (p.seam.whole > 0.9 * of.seam.whole && p.seam.against === of.seam.against && like.length < 2)
    return profile;
  // An armhole’s facing has the outer end of the shoulder; others begin where the seam begins.
  const shift = /armhole/.test(p.panel.id) && p.seam.kind === 'shoulder' ? of.seam.whole - p.seam.whole : 0;
  return Array.from({ length: 9 }, (_, i) => {
    const s = (own * i) / 8;
    const t = shift + p.seam.from + (p.seam.against ? own - s : s);
    const on =
      like.find((q) => t >= q.seam.from - 1e-6 && t <= q.seam.from + edgeLength(q.panel, q.edge.id) + 1e-6) ??
      of;
    const length = on === of ? theirs : edgeLength(on.panel, on.edge.id);
    const there = on.seam.against ? length - (t - on.seam.from) : t - on.seam.from;
    return { at: cm(s), by: cm(amountOf(mains.get(on)!, there)) };
  });
}
const amountOf = (profile: Profile, s: number): number => {
  let last = profile[0]!;
  for (const st of profile) {
    if (s <= st.at)
      return st.at === last.at ? st.by : last.by + ((st.by - last.by) * (s - last.at)) / (st.at - last.at);
    last = st;
  }
  return last.by;
};

/** Refuses what the allowance of a cut piece cannot give. */
function limit(panel: Panel, { edge: { id, name }, seam }: SeamPlace, profile: Profile, m: Making): void {
  const wanted = mostOut(profile);
  // Interfacing is cut without allowances; it is cut anew or let be.
  if (!m.cut || wanted === 0 || panel.layer === 'interfacing') return;
  const { allowance } = edgeOf(panel, id);
  const keep = seam.kind === 'hem' || edgeOf(panel, id).turned ? NEW_HEM : KEPT_ALLOWANCE;
  const most = Math.max(0, allowance - keep);
  if (wanted > most + 1e-9)
    throw new CannotAlter(
      `Letting out ${say(wanted)} at the ${name} of the ${panel.name} is more than it has: of its ${say(allowance)} allowance ${say(keep)} must stay, so ${most > 0 ? `${say(cm(most))} at most` : 'nothing'} on each edge.`,
    );
}

function box(m: Making, p: SeamPlace, profile: Profile): void {
  const most = profile.reduce((a, s) => (Math.abs(s.by) > Math.abs(a) ? s.by : a), 0);
  const steady = profile.every((s) => Math.abs(s.by - most) < 1e-9);
  noteBox(m, p.panel, p.edge.name, most, steady, p.panel.share === 'collar' ? p.panel.count : undefined);
}

/** Lengthened or shortened across the panels of a face, each the same way, so that they agree where they meet. */
function acrossMoved(panels: readonly Panel[], move: Of<'level' | 'wedge'>, m: Making): readonly Panel[] {
  const face = faceAsked(move, m.asked);
  const total = totalOf(m.asked);
  const [from, to] = move.between;
  const heights = new Map<string, number>();
  // Where one panel of a part ends below the bust, all of it is cut through below it.
  const low = new Set(
    panels
      .filter(
        (p) =>
          isMain(p) && p.lines.some((l) => l.id === 'underbust') && !p.lines.some((l) => l.id === 'bust'),
      )
      .map(partOf),
  );
  for (const p of panels) {
    if (m.asked.part !== null && partOf(p) !== m.asked.part) continue;
    if (face !== null && faceOf(p) !== face) continue;
    if (!isMain(p) && p.layer === 'outer') continue;
    if (p.share === 'sleeve' || !['front', 'back'].includes(p.share)) continue;
    const under = low.has(partOf(p)) ? p.lines.find((l) => l.id === 'underbust') : undefined;
    const [a, b] = [from === 'bust' && under ? under.y : heightOf(p, from), heightOf(p, to)];
    if (a !== null && b !== null && b - a > 1) heights.set(p.id, (a + b) / 2);
  }
  // A lining that has no lines of its own is cut through where its panel is.
  for (const p of panels)
    if (p.layer !== 'outer' && !heights.has(p.id)) {
      const like = panels.find((q) => heights.has(q.id) && isMain(q) && p.id.startsWith(q.id));
      if (like && !isFacing(p)) heights.set(p.id, heights.get(like.id)!);
    }
  if (!panels.some((p) => isMain(p) && heights.has(p.id)))
    throw new CannotAlter(
      `No panel of this garment${at(face)} runs from the ${from} to the ${to}, so that it could be made longer or shorter between them.`,
    );
  const after = panels.map((p) => {
    const y = heights.get(p.id);
    if (y === undefined) return p;
    if (move.do === 'level') {
      noteBox(m, p, `length, ${from} to ${to}`, total, true);
      return slash(p, level(y, total));
    }
    const evenly =
      p.edges.some((e) => e.id === 'princess' || e.id === 'outer') && !p.edges.some((e) => e.id === 'side');
    noteBox(
      m,
      p,
      evenly ? `length, ${from} to ${to}` : `centre ${move.face}, to nothing at the side`,
      total,
      evenly,
    );
    if (evenly) return slash(p, level(y, total));
    const span = spanAt(p, y);
    if (!span || span[1] - span[0] < 2) throw new CannotAlter(`The ${p.name} has no width at that height.`);
    return p.across.centre === 'centre' ? tuck(p, y, total, span[1]) : turn(p, y, total, span);
  });
  return follow(panels, after, m);
}

/** A dart’s share of the amount, signed as what it takes more, cm. */
function perDart(m: Making, darts: number): number {
  const { asked } = m;
  if (asked.amount === null) return 0;
  const by = -asked.direction.sign * asked.amount;
  if (asked.as === 'pinned') return 2 * by;
  if (asked.as === 'seam') return by;
  const sides = asked.as === 'side' || asked.side !== 'both' ? 1 : 2;
  return (by * (asked.as === 'fold' && asked.kind.pinned === 'fold' && by > 0 ? 2 : 1)) / (darts * sides);
}

const dartsOn = (p: Panel, edge: string): number =>
  p.darts.filter((d) => d.edge === edge).length + (edge === 'waist' ? (p.inner?.length ?? 0) : 0);

function dartsChanged(panels: readonly Panel[], move: Of<'dart'>, m: Making): readonly Panel[] {
  const face = faceAsked(move, m.asked);
  const on = panels.filter(
    (p) =>
      (m.asked.part === null || partOf(p) === m.asked.part) &&
      (face === null || faceOf(p) === face) &&
      p.share !== 'sleeve' &&
      dartsOn(p, move.edge) > 0,
  );
  if (!on.some(isMain))
    throw new CannotAlter(
      `This garment has no dart${move.edge === 'side' ? ' in its side seams' : ''}${at(face)} to take more or less.`,
    );
  return follow(
    panels,
    panels.map((p) => {
      if (!on.includes(p)) return p;
      const count = on
        .filter((q) => isMain(q) && partOf(q) === partOf(p))
        .reduce((n, q) => n + dartsOn(q, move.edge), 0);
      // What a panel grew by goes into its own darts.
      const by = move.amount === 'shared' ? perDart(m, count) : totalOf(m.asked) / dartsOn(p, move.edge);
      noteBox(m, p, dartWord(p, move.edge), -by, true, undefined, dartsOn(p, move.edge));
      return dartsBy(p, move.edge, by);
    }),
    m,
  );
}
const dartWord = (p: Panel, edge: string) =>
  p.darts.some((d) => d.edge === edge)
    ? `darts at the ${edgeOf(p, edge).name}`
    : 'darts with two ends, at their widest';

function dartsShifted(panels: readonly Panel[], move: Of<'dart-shift'>, m: Making): readonly Panel[] {
  const face = faceAsked(move, m.asked);
  const on = panels.filter(
    (p) =>
      (m.asked.part === null || partOf(p) === m.asked.part) &&
      (face === null || faceOf(p) === face) &&
      p.share !== 'sleeve' &&
      dartsOn(p, move.edge) > 0,
  );
  if (!on.some(isMain))
    throw new CannotAlter(
      `This garment has no dart${move.edge === 'side' ? ' in its side seams' : ''}${at(face)} to move.`,
    );
  const by = totalOf(m.asked);
  return panels.map((p) => {
    if (!on.includes(p)) return p;
    noteBox(m, p, `${dartWord(p, move.edge)}, moved`, -by, true);
    return moveDarts(p, move.edge, cm(-by));
  });
}

function dartAdded(panels: readonly Panel[], move: Of<'dart-new'>, m: Making): readonly Panel[] {
  const face = faceAsked(move, m.asked);
  const has = (p: Panel) => p.edges.some((e) => e.id === move.edge && !e.fold && e.path.length > 0);
  const inside = (p: Panel) => !has(p) && p.lines.some((l) => l.id === 'waist');
  // What is shaped in its seams, flared from its panels or gathered is not taken in by darts.
  const plain = (p: Panel) =>
    !p.edges.some(
      (e) => ['princess', 'outer', 'inner'].includes(e.id) || (e.id === move.edge && e.gather > 2),
    ) && !['gore', 'panel'].includes(p.share);
  const on = panels.filter(
    (p) =>
      (m.asked.part === null || partOf(p) === m.asked.part) &&
      (face === null || faceOf(p) === face) &&
      (isMain(p) || p.layer !== 'outer') &&
      p.share !== 'sleeve' &&
      !isFacing(p) &&
      plain(p) &&
      (has(p) || inside(p)),
  );
  const main = on.filter(isMain);
  if (main.length === 0)
    throw new CannotAlter(
      `No panel of this garment${at(face)} lies plain over the waist, so that a dart could be sewn there.`,
    );
  const { begins, fullFrom, zero } = m.asked.run;
  return follow(
    panels,
    panels.map((p) => {
      if (!on.includes(p)) return p;
      const like = main.filter((q) => partOf(q) === partOf(p));
      const intake = cm(
        perDart(
          m,
          Math.max(
            1,
            like.reduce((n, q) => n + perHalf(q), 0),
          ),
        ),
      );
      noteBox(
        m,
        p,
        has(p) ? `new dart at the ${edgeOf(p, move.edge).name}` : 'new dart with two ends',
        -intake,
        true,
      );
      if (has(p))
        return addDart(p, move.edge, {
          intake,
          at: begins ?? freeAt(p, move.edge),
          length: zero ?? NEW_DART,
        });
      return addInnerDart(p, { intake, from: begins, above: fullFrom ?? NEW_DART, below: zero ?? NEW_DART });
    }),
    m,
  );
}

function spreadOut(panels: readonly Panel[], move: Of<'spread'>, m: Making): readonly Panel[] {
  const hingeOf = (p: Panel) =>
    move.hinge.find((h) => p.edges.some((e) => e.id === h && !e.fold && e.path.length > 0));
  const face = faceAsked(move, m.asked);
  const on = panels.filter(
    (p) =>
      (m.asked.part === null || partOf(p) === m.asked.part) &&
      (face === null || faceOf(p) === face || faceOf(p) === null) &&
      p.edges.some((e) => e.id === move.edge) &&
      hingeOf(p) !== undefined,
  );
  const main = on.filter(isMain);
  if (main.length === 0)
    throw new CannotAlter(`No panel of this garment runs from its ${move.edge} up to its waist.`);
  if (m.cut && totalOf(m.asked) > 0)
    throw new CannotAlter('The cloth is cut: what is spread open needs its pieces cut anew.');
  return panels.map((p) => {
    if (!on.includes(p)) return p;
    const ring = main.filter((q) => partOf(q) === partOf(p) && q.ring === p.ring);
    const count = (back: boolean) =>
      ring.filter((q) => (faceOf(q) === 'back') === back).reduce((n, q) => n + perHalf(q), 0);
    const by = perEdge({ ...m.asked, as: 'total' }, faceOf(p), { front: count(false), back: count(true) });
    const hinge = hingeOf(p)!;
    noteBox(m, p, `slashed from the ${edgeOf(p, move.edge).name} to the ${edgeOf(p, hinge).name}`, by, true);
    return spread(p, move.edge, hinge, by);
  });
}

/** Fronts whose bust dart was turned away, made longer over the bust. */
function overTheBust(panels: readonly Panel[], m: Making): readonly Panel[] {
  const on = panels.filter(
    (p) => (m.asked.part === null || partOf(p) === m.asked.part) && turnedDart(p) !== undefined,
  );
  if (!on.some(isMain)) throw new CannotAlter('This garment has no bust dart that could take it up.');
  const by = totalOf(m.asked);
  const after = panels.map((p) => {
    if (!on.includes(p)) return p;
    noteBox(m, p, 'bust dart, and length over the bust', by, true);
    return fuller(p, by);
  });
  return follow(panels, after, m);
}

/** What the waist of each face gained or lost is taken out, or let in again, at the side seams: full at the waist, nothing at the hip. */
function waistKept(panels: readonly Panel[], m: Making): readonly Panel[] {
  const ends = (p: Panel) => p.edges.find((e) => e.id === 'waist' || e.id === 'top');
  const kept = panels.map((p) => {
    const was = m.start.find((q) => q.id === p.id);
    const [e, side] = [ends(p), p.edges.find((x) => x.id === 'side')];
    if (!was || was === p || !e || !side || p.share === 'band' || p.layer === 'interfacing') return p;
    const grown = sewnLength(p, e.id) - sewnLength(was, e.id);
    if (Math.abs(grown) < 0.01) return p;
    const half = edgeLength(p, 'side') / 2;
    const hip = heightOf(p, 'hip');
    const y = hip ?? e.path[0]![0][1] + 20;
    const zero = Math.min(half, Math.max(4, y - side.path[0]![0][1]));
    noteBox(m, p, side.name, -grown, false);
    return moveEdge(
      p,
      'side',
      [
        { at: cm(0), by: cm(-grown) },
        { at: cm(zero), by: cm(0) },
      ],
      'across',
    );
  });
  return follow(panels, kept, m);
}

/** A band, what its length hangs on, and which of its ends moves. */
const BANDS: readonly (readonly [is: RegExp, kind: SeamKind, end: string, times: number])[] = [
  [/\.band\b/, 'waist', 'overlap', 2],
  [/\.button-band\b/, 'front-edge', 'lower', 1],
  [/\.band\b/, 'neck', 'other-end', 2],
];
/** A band is as long as what is sewn to it: it follows what the waist, the front edge or the neckline of its part has become. */
export function follow(before: readonly Panel[], after: readonly Panel[], m: Making): readonly Panel[] {
  return after.map((p) => {
    const row = BANDS.find(([is, , end]) => is.test(p.id) && p.edges.some((e) => e.id === end));
    if (!row || p.share !== 'band') return p;
    const [, kind, end, times] = row;
    if (kind === 'neck' && !p.edges.some((e) => e.id === 'neck')) return p;
    const length = (list: readonly Panel[]) =>
      list
        .filter((q) => isMain(q) && partOf(q) === partOf(p))
        .reduce(
          (n, q) =>
            n +
            q.edges.reduce(
              (k, e) =>
                k +
                (kindOf(q, e) === kind && !(kind === 'front-edge' && faceOf(q) === 'back')
                  ? sewnLength(q, e.id) * (times === 2 ? perHalf(q) : 1)
                  : 0),
              0,
            ),
          0,
        );
    // A band goes all round: on the half that is drawn it changes by twice what that half changes.
    const by = (length(after) - length(before)) * times;
    if (Math.abs(by) < 0.05) return p;
    const whole = times === 2 && m.asked.side !== 'both' ? by / 2 : by;
    noteBox(m, p, 'length', whole, true, times === 2 ? 1 : undefined);
    return moveEdge(p, end, even(by), end === 'lower' ? 'down' : 'out');
  });
}

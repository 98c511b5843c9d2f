import { edgeLength, sewnLength } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { faceOf, isFacing, isMain, partOf, perHalf, SEAM_NAME } from '../garment/seams.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { acrossMoved } from './across.ts';
import { perEdge, totalOf } from './asked.ts';
import { type Making, noteBox } from './boxes.ts';
import { dartAdded, dartsChanged, dartsShifted } from './dart-moves.ts';
import { fuller, turnedDart } from './fuller.ts';
import { goreHems, isRound } from './gore-hems.ts';
import { isHem, legHem, roundHem } from './hem-marks.ts';
import type { Move } from './kind.ts';
import { moveEdge } from './move-edge.ts';
import { faceAsked, placesOf, type SeamPlace, sharedWith } from './places.ts';
import { amountAt, mostOut, type Profile, scaled } from './profile.ts';
import { CannotAlter } from './refusal.ts';
import { heightOf, runOf } from './run.ts';
import { spread } from './spread.ts';

/** What must stay of a seam allowance that is let out, and what a new hem needs, cm [¼ in; ¾ in] (house figures, no source). */
export const KEPT_ALLOWANCE = cm(0.6);
export const NEW_HEM = cm(2);
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

const anA = (word: string) => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;
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
          ? `${seamWord(move, null)} beside ${anA(SEAM_NAME[move.beside[0]!])}`
          : seamWord(move, faceAsked(move, asked))
      }${asked.part ? ` on its ${asked.part}` : ''}.`,
    );
  return places;
}

function edgesMoved(panels: readonly Panel[], move: Of<'edge'>, m: Making): readonly Panel[] {
  const all = placesBorne(panels, move, m.asked);
  const { hem } = m.asked;
  const differs = hem !== null && Math.max(...Object.values(hem)) - Math.min(...Object.values(hem)) > 1e-9;
  // What is cut alike all round is marked piece by piece where the marks differ.
  const alike = differs && all.some((p) => p.main && isHem(p) && isRound(p.panel));
  const places = alike ? all.filter((p) => !isRound(p.panel)) : all;
  if (alike) goreHems(panels, m.asked, m);
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
  return panels.map((p) => now.get(p.id)!);
}

/** What one edge of a main panel gets along itself, signed, from its own first point. */
function profileOf(p: SeamPlace, all: readonly SeamPlace[], move: Of<'edge'>, m: Making): Profile {
  const { asked, which } = m;
  if (isHem(p) && asked.legs) return legHem(p, asked, which);
  if (isHem(p) && asked.hem) return roundHem(p, asked, which);
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
    return { at: cm(s), by: cm(amountAt(mains.get(on)!, there)) };
  });
}

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
  return after;
}

/** What the waist of each face gained or lost is taken out, or let in again, at the side seams: full at the waist, nothing at the hip. */
function waistKept(panels: readonly Panel[], m: Making): readonly Panel[] {
  const ends = (p: Panel) => p.edges.find((e) => e.id === 'waist' || e.id === 'top');
  return panels.map((p) => {
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
}

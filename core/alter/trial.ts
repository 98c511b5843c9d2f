import { startOf } from '../draft/curve.ts';
import { type DrawnPanel, drawnPanel } from '../draft/drawn-panel.ts';
import type { Panel } from '../draft/panel.ts';
import { kindOf } from '../garment/seams.ts';
import type { Sheet } from '../sheet/compute.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { type Applied, applyAlteration, type Halves, isMain } from './apply.ts';
import { type Asked, totalOf } from './asked.ts';
import { type Effect, effectOf } from './effect.ts';
import { isOwn } from './places.ts';
import { CannotAlter } from './refusal.ts';
import { heightOf } from './run.ts';

/**
 * A garment as it is made by now: its sheet’s panels with every alteration that stands, in order. What was agreed is
 * not judged again; what it let out is taken from the allowances.
 */
export function asMade(sheet: Pick<Sheet, 'panels' | 'left'>, standing: readonly Asked[]): Halves {
  let now: Halves = halvesOf(sheet);
  for (const asked of standing) {
    try {
      now = applyAlteration(now, asked, false);
    } catch (error) {
      // What the sheet no longer has a seam for was agreed on an earlier revision; the others stand.
      if (!(error instanceof CannotAlter)) throw error;
    }
  }
  return now;
}

/** Both halves of a garment as its sheet drafts it. */
export const halvesOf = ({ panels, left }: Pick<Sheet, 'panels' | 'left'>): Halves => ({
  right: panels,
  left,
});

export interface Trial {
  readonly applied: Applied;
  readonly effect: Effect;
  readonly drawn: readonly DrawnPanel[];
}

/**
 * What an alteration would make of a garment as it is by now; nothing is kept.
 * @throws CannotAlter in a sentence where it cannot be made
 */
export function tryAlteration(
  sheet: Pick<Sheet, 'panels' | 'figures'> & Partial<Pick<Sheet, 'input'>>,
  now: Halves,
  asked: Asked,
  cut: boolean,
): Trial {
  const applied = applyAlteration(now, asked, cut);
  notPastTheNeck(now, applied, asked);
  const zipSays = zipAcross(sheet, now, asked);
  const same = applied.left === applied.right;
  const drawn = (['right', 'left'] as const).flatMap((which) => {
    if (which === 'left' && same) return [];
    return applied[which].flatMap((p, i) => {
      const old = now[which][i]!;
      return p === old || !(isMain(p) || isOwn(p)) ? [] : [drawPanel(old, p, same ? 'both' : which, applied)];
    });
  });
  const effect = effectOf(sheet, now, applied, asked);
  return { applied, effect: { ...effect, says: [...effect.says, ...zipSays] }, drawn };
}

/**
 * A neckline that is raised ends below the side-neck still: past it there is no body to lie on.
 * @throws CannotAlter
 */
function notPastTheNeck(before: Halves, after: Halves, asked: Asked): void {
  if (asked.kind.id !== 'neckline-raise') return;
  const depth = (p: Panel) => {
    const neck = p.edges.find((e) => e.id === 'neck');
    const ends = neck?.path.flatMap((s) => [s[0], s.at(-1)!]).map(([, y]) => y) ?? [];
    return ends.length === 0 ? null : Math.max(...ends) - ends.at(-1)!;
  };
  for (const which of ['right', 'left'] as const)
    for (const [i, p] of after[which].entries()) {
      const was = before[which][i]!;
      if (p === was || !isMain(p)) continue;
      const [deep, left] = [depth(was), depth(p)];
      if (deep !== null && left !== null && deep > 0.3 && left < 0.3)
        throw new CannotAlter(
          `The neckline of the ${p.name} lies only ${say(cm(deep))} below the side-neck and cannot be raised past it: raise it by less, or front and back each by their own.`,
        );
    }
}

/**
 * A tuck across the centre back that would take the end of its zip is refused: the zip ends higher or lower first. One
 * that lies over the zip leaves it longer than what it closes, which is said.
 * @throws CannotAlter
 */
function zipAcross(sheet: Pick<Sheet, 'figures'>, now: Halves, asked: Asked): string[] {
  const across = asked.kind.moves.find((m) => m.do === 'wedge' || m.do === 'level');
  const zip = sheet.figures.find((f) => f.id === 'zip' && f.bought !== null && /centre back/.test(f.name));
  if (!across || !zip?.finished || ('face' in across && across.face === 'front')) return [];
  const taken = Math.max(0, -totalOf(asked));
  if (taken === 0) return [];
  for (const p of now.right) {
    const centre = p.edges.find((e) => kindOf(p, e) === 'centre-back');
    if (!centre || !isMain(p)) continue;
    const [a, b] = across.between.map((l) => heightOf(p, l));
    if (a == null || b == null) continue;
    const top = Math.min(...centre.path.flatMap((s) => s.map(([, y]) => y)));
    const [ends, y] = [top + zip.finished, (a + b) / 2];
    // Where the upper part sinks by what is taken, the cloth above the line goes.
    if (ends > y - taken - 0.5 && ends < y + taken + 0.5)
      throw new CannotAlter(
        `The zip at the centre back ends ${say(zip.finished)} down, in what would be folded away: end it higher or lower first.`,
      );
    if (ends > y)
      return [
        `The zip at the centre back, ${say(zip.finished)}, runs through what is folded away: it comes out first, and is ${say(cm(taken))} longer than its opening then.`,
      ];
  }
  return [];
}

function drawPanel(old: Panel, now: Panel, side: DrawnPanel['side'], a: Applied): DrawnPanel {
  const amounts = a.boxes
    .filter((b) => b.panel === now.id && b.each !== null)
    .flatMap((b) => {
      const e = now.edges.find((x) => x.name === b.seam);
      const s = e?.path[Math.floor(e.path.length / 2)];
      return s ? [{ at: startOf(s), by: b.each! }] : [];
    });
  return drawnPanel(old, now, side, amounts);
}

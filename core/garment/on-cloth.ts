import { endOf, type Point, startOf } from '../draft/curve.ts';
import { cutSize } from '../draft/outline.ts';
import type { Edge, Panel } from '../draft/panel.ts';
import { cm } from '../units/length.ts';
import type { Cloth } from './input.ts';
import { isMain } from './seams.ts';

/** The lower edges that a border may lie on. */
const LOWER: ReadonlySet<string> = new Set(['hem', 'wrist', 'waist']);
/** An edge that leaves a straight line by no more than this lies on a border, cm (house figure, no source). */
const STRAIGHT = 0.5;

/** Whether a panel wider than its cloth may be turned, so that its length lies across, and then goes onto it. */
export function mayTurn(panel: Panel, cloth: Cloth): boolean {
  return (
    panel.layer === 'outer' &&
    !!cloth.across &&
    !cloth.oneWay &&
    !cloth.border &&
    !cloth.bias &&
    cloth.stretch === 0 &&
    cloth.width !== null &&
    cutSize(panel).height <= cloth.width + 1e-9
  );
}

/** Whether a panel's lower edge lies on the cloth's border: nothing is turned up there, and it is straight. */
export function onBorder(panel: Panel, cloth: Cloth): boolean {
  const lower = cloth.border && panel.layer === 'outer' ? lowest(panel) : null;
  return lower !== null && bow(lower) <= STRAIGHT;
}

/** The outer panel as this cloth wants it marked and laid; linings and interfacings have cloths of their own. */
export function onCloth(panel: Panel, cloth: Cloth): Panel {
  if (panel.layer !== 'outer') return panel;
  let made = panel;
  const note = (text: string) => {
    made = { ...made, note: [made.note, text].filter(Boolean).join('; ') };
  };
  if (cloth.frays && panel.marks.some((m) => m.kind === 'notch'))
    made = {
      ...made,
      marks: made.marks.map((m) => (m.kind === 'notch' ? { ...m, kind: 'thread mark' as const } : m)),
    };
  if (cloth.bias && isMain(panel)) {
    made = { ...made, grain: 'on the bias: the warp at 45° to the centre' };
    note('cut single, opened out, each half its own way of the weave');
  }
  if (cloth.oneWay && !/bias/.test(made.grain)) made = { ...made, grain: `${made.grain}, top upward` };
  const lower = cloth.border ? lowest(panel) : null;
  if (lower) {
    if (onBorder(panel, cloth)) {
      made = { ...made, sideways: true, grain: `across the grain: the ${lower.name} along the border` };
      note(`${lower.name} placed on the border first`);
    } else note(`${lower.name} curved: the border is cut off and laid on along it`);
  }
  const width = cloth.width ?? Number.POSITIVE_INFINITY;
  const whole = (made.cut === 'fold' ? 2 : 1) * cutSize(made).width;
  if (!made.sideways && whole > width + 1e-9 && mayTurn(made, cloth)) {
    made = {
      ...made,
      sideways: true,
      grain: `across the grain${made.cut === 'fold' ? ', the fold running across the cloth' : ''}`,
    };
    note('turned: it is wider than the cloth');
  }
  return made;
}

/** The edge that the border finishes: a hem that is given nothing to turn up. */
const lowest = (panel: Panel): Edge | null =>
  panel.edges.find((e) => LOWER.has(e.id) && !e.fold && e.gather === 0 && e.allowance === 0) ?? null;

/** How far an edge leaves the straight line between its ends, cm: by its ends and handles. */
function bow(edge: Edge): number {
  const [a, b] = [startOf(edge.path[0]!), endOf(edge.path.at(-1)!)];
  const far = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const off = ([x, y]: Point) => Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / far;
  return cm(Math.max(0, ...edge.path.flatMap((s) => s.map(off))));
}

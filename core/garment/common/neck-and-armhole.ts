import { endOf, type Point, type Segment, startOf } from '../../draft/curve.ts';
import { edgeLength, pointAlong, sewnLength } from '../../draft/measure.ts';
import { edgeOf, type Panel } from '../../draft/panel.ts';
import { straight } from '../../draft/shape.ts';
import { choice } from '../fields.ts';
import { BY_NECK, NECK_WIDE } from './neck-wide.ts';

/** The neckline as a brief asks for it. */
export const NECKLINE = choice('Neckline', [
  ['round', 'round'],
  ['v', 'V'],
  ['square', 'square'],
  ['sweetheart', 'sweetheart'],
  ['wide', 'wide, from shoulder to shoulder'],
]);
export type NeckShape = (typeof NECKLINE)['options'][number]['value'];

/** Armhole depth by bust when it was not read, cm: 21 at 88, half a centimetre more each 4 (Aldrich's size 12 and steps; from memory). */
export const armholeByBust = (bust: number): number => 21 + (bust - 88) / 8;
/** How far the side-neck lies above the nape, cm (common practice). */
export const NECK_ABOVE_NAPE = 2;

/** How deep a neckline is in front; `usual` where the brief says nothing. */
export const neckFront = (usual: string) =>
  ({
    kind: 'length',
    label: 'Neckline depth, front',
    hint: 'straight down from the side-neck; a measurement overrides this',
    min: 4,
    max: 40,
    default: usual,
  }) as const;

/** What a brief asks of a bodice's neckline besides its shape. `front`: the usual depth there. */
export const neckFields = (front: string) =>
  ({
    neckFront: neckFront(front),
    neckBack: { kind: 'length', label: 'Neckline depth, back', min: 1, max: 40, default: '2 cm' },
    ...NECK_WIDE,
    widen: {
      kind: 'length',
      label: 'Neckline widened, each side',
      hint: 'along the shoulder, front and back alike',
      min: 0,
      max: 9,
      default: '0 cm',
      when: BY_NECK,
    },
  }) as const;

/** How far a curve's handles reach, as a part of what it goes across and down: a quarter of an ellipse (geometry). */
const REACH = 0.5523;

/** A wide neckline runs level for most of its way. */
const WIDE = 0.82;

/**
 * A neckline from the centre to the side-neck. A round one leaves the centre level and meets the shoulder square, front
 * and back alike, so that it runs on over the seam without a point (common practice).
 * @param slope of the shoulder, degrees
 */
export function neckline(shape: NeckShape, centre: Point, side: Point, slope: number): Segment[] {
  if (shape === 'v') return straight(centre, side);
  const [x, d] = [side[0] - centre[0], side[1] - centre[1]];
  if (shape === 'sweetheart') {
    // Over each bust it rises from the centre and falls a little before it goes up to the shoulder.
    const turn: Point = [centre[0] + x * 0.94, centre[1] + d * 0.3];
    return [
      [
        centre,
        [centre[0] + x * 0.12, centre[1] + d * 0.32],
        [centre[0] + x * 0.5, centre[1] + d * 0.46],
        turn,
      ],
      [turn, side],
    ];
  }
  if (shape === 'square')
    return [...straight(centre, [side[0], centre[1]]), ...straight([side[0], centre[1]], side)];
  const angle = (slope * Math.PI) / 180;
  const [across, down] = shape === 'wide' ? [WIDE, 0.3 * Math.abs(d)] : [REACH, REACH * Math.abs(d)];
  return [
    [
      centre,
      [centre[0] + x * across, centre[1]],
      [side[0] - down * Math.sin(angle), side[1] + down * Math.cos(angle)],
      side,
    ],
  ];
}

/**
 * Where the notches lie from the underarm, cm, on the armhole and on the cap alike: one in front, two a centimetre apart
 * at the back, by the armhole's own length (a handbook's block has them at 8.9 and 12.2 on an armhole of 42.6; from
 * memory). Whoever draws either side of the seam asks here, so that they meet.
 */
export function armNotches(armhole: number): Readonly<Record<'front' | 'back', readonly number[]>> {
  const most = armhole / 2 - 3;
  const [front, back] = [
    Math.min(most, Math.max(8, Math.min(10, 0.21 * armhole))),
    Math.min(most - 1, Math.max(11, Math.min(12.5, 0.285 * armhole))),
  ];
  return { front: [front], back: [back, back + 1] };
}

/** Front and back with the notches of their armholes. */
export function withArmNotches<F extends Readonly<Record<'front' | 'back', Panel>>>(faces: F): F {
  const length = (p: Panel) => sewnLength(p, 'armhole');
  const at = armNotches(length(faces.front) + length(faces.back));
  const notched = (face: 'front' | 'back'): Panel => {
    const panel = faces[face];
    const path = edgeOf(panel, 'armhole').path;
    const whole = edgeLength(panel, 'armhole');
    return {
      ...panel,
      marks: [
        ...panel.marks,
        ...at[face].map((d) => ({
          kind: 'notch' as const,
          name: 'armhole balance',
          at: pointAlong(path, whole - d),
        })),
      ],
    };
  };
  return { ...faces, front: notched('front'), back: notched('back') };
}

/** The ends of an armhole of this panel as it is worn, where its waist is y 0. */
export function armEnds(panel: Panel, waist: number): { readonly shoulder: Point; readonly underarm: Point } {
  const path = edgeOf(panel, 'armhole').path;
  const up = ([x, y]: Point): Point => [x, y - waist];
  return { shoulder: up(startOf(path[0]!)), underarm: up(endOf(path.at(-1)!)) };
}

/** Where a neckline lies as it is worn, the waist at y 0. */
export function neckEnds(front: Panel, back: Panel, waist: number) {
  const side = endOf(edgeOf(back, 'neck').path.at(-1)!);
  const low = (p: Panel) => startOf(edgeOf(p, 'neck').path[0]!)[1] - waist;
  return { side: [side[0], side[1] - waist] as Point, front: low(front), back: low(back) };
}

/**
 * An armhole from the shoulder point, which it leaves square to the shoulder, over the mid-armhole point to the underarm,
 * which it reaches square to the side (common practice).
 * @param slope of the shoulder, degrees
 * @param turned how far the side was turned up by a dart in it, degrees
 */
export function armholePath(
  shoulder: Point,
  mid: Point,
  underarm: Point,
  slope: number,
  turned = 0,
): Segment[] {
  const [dx, dy] = [mid[0] - shoulder[0], mid[1] - shoulder[1]];
  const [angle, side] = [(slope * Math.PI) / 180, (turned * Math.PI) / 180];
  // A shoulder end below the middle is no armhole, which a check tells: it has no square to leave.
  const out = dy > 0 ? -dy * 0.4 * Math.sin(angle) : dx * 0.5;
  const down = dy > 0 ? dy * 0.4 * Math.cos(angle) : dy * 0.4;
  const [ex, ey] = [underarm[0] - mid[0], underarm[1] - mid[1]];
  return [
    [shoulder, [shoulder[0] + out, shoulder[1] + down], [mid[0], mid[1] - dy * 0.35], mid],
    [
      mid,
      [mid[0], mid[1] + ey * 0.55],
      [underarm[0] - ex * 0.55 * Math.cos(side), underarm[1] + ex * 0.55 * Math.sin(side)],
      underarm,
    ],
  ];
}

/** How far a side leans outward at its underarm, degrees, less than none inward: an armhole reaches it square. */
export function sideLean(side: readonly Segment[]): number {
  const [[ax, ay], [bx, by]] = [startOf(side[0]!), pointAlong(side, 0.1)];
  return (Math.atan2(bx - ax, by - ay) * 180) / Math.PI;
}

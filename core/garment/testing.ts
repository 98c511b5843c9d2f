import type { SheetUnit } from '../units/length.ts';

/** A body in cm, by measure id, with every figure the house's garments ask for. */
export type Body = Readonly<Record<string, number>>;

/** A small seeded generator (linear congruence), so that a failing run can be run again. */
export function seeded(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 4294967296;
  };
}

/** A plausible adult body, invented: girths that follow each other loosely, lengths that follow the height. */
export function randomBody(rnd: () => number): Body {
  const between = (a: number, b: number) => Math.round((a + rnd() * (b - a)) * 2) / 2;
  const waist = between(58, 118);
  const hip = Math.round((waist + between(2, 34)) * 2) / 2;
  const bust = Math.round((waist + between(8, 26)) * 2) / 2;
  const drop = between(17, 25);
  const back = between(38, 47);
  const body: Record<string, number> = {
    waist,
    hip,
    bust,
    'waist-to-hip': drop,
    'waist-to-knee': between(54, 64),
    'waist-to-floor': between(96, 112),
    'neck-to-bust': between(24, 31),
    'neck-to-waist-back': back,
    'neck-to-waist-front': back + between(0.5, 5),
    'nape-to-waist': back - 2,
    'across-shoulder': Math.round(2 * (38.5 + (bust - 92) * 0.08)) / 2 + between(-2, 2),
    'apex-span': between(16, 23),
    // Deeper on a larger bust, or no arm would pass it.
    'armhole-depth': Math.round(2 * (21 + (bust - 88) / 8)) / 2 + between(-1.5, 1.5),
  };
  if (rnd() < 0.6) body['high-hip'] = Math.round((waist + (hip - waist) * between(50, 95) * 0.01) * 2) / 2;
  if (rnd() < 0.4) body.tummy = Math.round((waist + (hip - waist) * between(40, 115) * 0.01) * 2) / 2;
  if (rnd() < 0.4) body['hip-front'] = Math.round(hip * between(46, 54) * 0.01 * 2) / 2;
  if (rnd() < 0.3) body['bust-front'] = Math.round(bust * between(48, 56) * 0.01 * 2) / 2;
  const leg = legOf(body);
  const trunk = Math.round(
    body['neck-to-waist-back']! + body['neck-to-waist-front']! + 2 * (leg.rise ?? 27) + 14,
  );
  return { ...body, ...armOf(body), ...leg, trunk };
}

/** An arm for that body, drawn from its own figures so that it takes no turn of the generator. */
function armOf(body: Body): Body {
  const half = (x: number) => Math.round(x * 2) / 2;
  const more = ((body['neck-to-bust']! * 7 + body.waist! * 3) % 10) / 10;
  const upper = half(body.bust! * (0.29 + more * 0.06));
  const wrist = half(13.5 + upper * 0.1 + more);
  const length = half(body['nape-to-waist']! * 1.42);
  return {
    'upper-arm': upper,
    wrist,
    fist: half(wrist + 5.5),
    'arm-length': length,
    ...(more < 0.6 ? { elbow: half(upper * 0.85), 'shoulder-to-elbow': half(length * 0.57) } : {}),
  };
}

/** The rest of that body, likewise: legs, rib cage, heights. */
function legOf(body: Body): Body {
  const half = (x: number) => Math.round(x * 2) / 2;
  const more = ((body.hip! * 3 + body['waist-to-floor']! * 7) % 10) / 10;
  const rise = half(24 + body.hip! * 0.04 + more);
  return {
    rise,
    inseam: half(body['waist-to-floor']! - rise - 2 + more),
    thigh: half(body.hip! * (0.55 + more * 0.05)),
    knee: half(34 + more * 4),
    'heel-instep': half(30 + more * 4),
    'crotch-length': half(rise * 2 + 10 + more * 3),
    underbust: half(body.bust! - 10 - more * 6),
    'underarm-to-waist': half(body['neck-to-waist-back']! - body['armhole-depth']! - 2.5),
    armhole: half(36 + body.bust! * 0.04 + more * 3),
    'neck-base': half(34 + more * 5),
    'arm-span': half(body['across-shoulder']! + 22 + more * 10),
    head: half(55 + more * 4),
  };
}

/** A body as a tape would have read it, in either unit. */
export const asLines = (body: Body, unit: SheetUnit = 'cm'): string[] =>
  Object.entries(body).map(([id, n]) =>
    unit === 'cm' ? `${id} ${n} cm` : `${id} ${Math.round((n / 2.54) * 8) / 8} in`,
  );

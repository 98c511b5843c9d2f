import { checkCodeV1, figureIdV1, inUnit, readLength } from '@rocchetto/core';

// Steps that bring a stored or written shape of version 1 to version 2. Nothing here checks: what comes out is parsed.

type Json = Record<string, unknown>;

/** Lengths that were read without a word before (thirds, fractions of a centimetre), as the decimals they counted for. */
function plainLengths<T>(v: T): T {
  if (typeof v === 'string') {
    const bare = v.trim().replace(/^[-−]/, '');
    if (!/\d ?[/⁄] ?\d/.test(bare) || readLength(bare, 'cm').ok) return v;
    const read = readLength(bare, 'cm', true);
    if (!read.ok || !read.unitGiven) return v;
    const size = Math.round(inUnit(read.cm, read.written.unit) * 1e6) / 1e6;
    return `${/^[-−]/.test(v.trim()) ? '-' : ''}${size} ${read.written.unit}` as T;
  }
  if (Array.isArray(v)) return v.map(plainLengths) as T;
  return isObject(v) ? (Object.fromEntries(Object.entries(v).map(([k, x]) => [k, plainLengths(x)])) as T) : v;
}

/** House rules have had one shape; their lengths are read as they were written. */
export const upgradeRules = (v: unknown): unknown => plainLengths(v);

const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null && !Array.isArray(v);
/** Version 1 had none written on it. */
const isFirst = (v: Json) => v.version === undefined || v.version === 1;

/** A vent was an object of kind and height; its fields stand by themselves now. */
function partForward(part: unknown): unknown {
  if (!isObject(part) || !isObject(part.hemOpening)) return part;
  const { hemOpening, ...rest } = part;
  const { kind, height, ...more } = hemOpening as Json;
  return {
    ...rest,
    ...more,
    hemOpening: kind,
    ...(height === undefined || kind === 'none' ? {} : { openingHeight: height }),
  };
}

/** There was one further cloth at most, by itself; now there is a list of them. */
function clothsForward(v: Json): Json {
  if (!('second' in v)) return v;
  const { second, ...rest } = v;
  return second === undefined || second === null ? rest : { cloths: [second], ...rest };
}

export function upgradeBrief(v: unknown): unknown {
  if (!isObject(v)) return v;
  if (!isFirst(v)) return clothsForward(v);
  return {
    ...plainLengths(clothsForward(v)),
    version: 2,
    ...(Array.isArray(v.parts) ? { parts: plainLengths(v.parts).map(partForward) } : {}),
  };
}

const overrideForward = (o: unknown): unknown =>
  isObject(o) && typeof o.figure === 'string' ? { ...o, figure: figureIdV1(o.figure) } : o;
const acceptForward = (a: unknown): unknown =>
  isObject(a)
    ? {
        ...a,
        ...(typeof a.code === 'string' ? { code: checkCodeV1(a.code) } : {}),
        ...(a.reason === '' ? { reason: 'No reason was written.' } : {}),
      }
    : a;
const each = (list: unknown, step: (v: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(step) : list;

/** Figures carry their part since version 2: what was set by hand and accepted follows. */
function decidedForward(v: Json): Json {
  return {
    ...v,
    ...('overrides' in v ? { overrides: each(v.overrides, overrideForward) } : {}),
    ...('accepted' in v ? { accepted: each(v.accepted, acceptForward) } : {}),
  };
}

/** What a fitter decided about a sheet. */
export const upgradeSettings = (v: unknown): unknown =>
  isObject(v) && isFirst(v) ? { ...decidedForward(plainLengths(v)), version: 2 } : v;

/** A spec file. */
export const upgradeSpec = (v: unknown): unknown =>
  isObject(v) && v.version === 1
    ? { ...decidedForward(v), version: 2, ...('garment' in v ? { garment: upgradeBrief(v.garment) } : {}) }
    : v;

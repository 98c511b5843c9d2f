import type { Measured } from '../measures/session.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import type { SheetInput } from './input.ts';
import { type EaseZone, easeFor, type Hang } from './tables/fit.ts';

/** Girths of a sleeve, with the zone whose ease the draft gives them. */
const SLEEVE: Readonly<Record<string, EaseZone>> = {
  'upper-arm': 'upper-arm',
  elbow: 'elbow',
  forearm: 'elbow',
  wrist: 'wrist',
};
/** A neckline's depth, with the length from the side-neck to the waist on its side. */
const DEPTHS: Readonly<Record<string, string>> = {
  'neck-depth-front': 'neck-to-waist-front',
  'neck-depth-back': 'neck-to-waist-back',
};

/** What the session's ways of measuring could not be made of: said as a check, and the reading left. */
export interface NotTaken {
  readonly measure: string;
  readonly sentence: string;
}

/**
 * The figures of a session as the draft takes them, whatever way they were read: a neckline depth straight down from the
 * side-neck, a sleeve's girth of the bare arm. Slanted is the long side of a right triangle whose short one is half the
 * neck (plane geometry); up from the waist is what the waist's length leaves; an ease in the tape is taken out, since the
 * draft gives it again. `neckHalf`: half the neck as the garment has it, cm.
 */
export function asTaken(
  read: ReadonlyMap<string, Measured>,
  { session, brief, house }: Pick<SheetInput, 'session' | 'brief' | 'house'>,
  hang: Hang,
  neckHalf: Cm,
): { readonly measured: ReadonlyMap<string, Measured>; readonly not: readonly NotTaken[] } {
  const not: NotTaken[] = [];
  const straight = session.neckDepth === undefined || session.neckDepth === 'straight';
  if (straight && session.sleeveGirth !== 'with the ease in the tape') return { measured: read, not };
  const measured = new Map(read);
  const set = (m: Measured, net: number, why: string, added = 0) =>
    void measured.set(m.measure.id, {
      ...m,
      net: cm(net),
      raw: cm(net + added),
      added: cm(added),
      why: [...m.why, why],
    });
  const cannot = (m: Measured, sentence: string) => {
    measured.delete(m.measure.id);
    not.push({ measure: m.measure.id, sentence });
  };
  for (const [id, waist] of Object.entries(DEPTHS)) {
    const m = read.get(id);
    if (m?.net == null) continue;
    if (session.neckDepth === 'slanted') {
      if (m.net > neckHalf + 1e-9)
        set(
          m,
          Math.sqrt(m.net ** 2 - neckHalf ** 2),
          `Read slanted, ${p(m.net)}; half the neck is ${p(neckHalf)}: √(${p(m.net)}² − ${p(neckHalf)}²).`,
        );
      else
        cannot(
          m,
          `${m.measure.name} was read slanted as ${p(m.net)}, no more than half the neck (${p(neckHalf)}): the brief’s depth is used.`,
        );
    }
    if (session.neckDepth === 'up from the waist') {
      const level = read.get(waist)?.net ?? null;
      if (level !== null && level > m.net)
        set(
          m,
          level - m.net,
          `Read ${p(m.net)} up from the waist, which lies ${p(level)} from the side-neck.`,
        );
      else
        cannot(
          m,
          `${m.measure.name} was read ${p(m.net)} up from the waist, and ${level === null ? 'the length from the side-neck to the waist was not read' : `the waist lies only ${p(level)} from the side-neck`}: the brief’s depth is used.`,
        );
    }
  }
  if (session.sleeveGirth === 'with the ease in the tape')
    for (const [id, zone] of Object.entries(SLEEVE)) {
      const m = read.get(id);
      if (m?.net == null || m.raw === null) continue;
      const { ease } = easeFor(zone, brief.fit, brief.school, hang, house.ease);
      set(
        { ...m, why: [] },
        m.raw - ease,
        `Read ${p(m.raw)} with the ease in the tape: the ${p(ease)} that the sleeve gets are taken out, so that they are not given twice.`,
        ease,
      );
    }
  return { measured, not };
}

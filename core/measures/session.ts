import { type Cm, cm } from '../units/length.ts';
import { printWritten, type Written, writtenToCm } from '../units/reading.ts';
import { type Agreement, agree, agreementSentence } from './agreement.ts';
import { findMeasure, type Measure } from './catalogue.ts';
import { type Tape, tapeAdded, tapeSentence } from './tape.ts';

/** How much of the girth the tape spanned when it was read. */
export const WAYS = ['whole', 'half', 'quarter'] as const;
export type Way = (typeof WAYS)[number];
const TIMES: Record<Way, number> = { whole: 1, half: 2, quarter: 4 };

export const SOURCES = ['taken here', 'reported by client', 'from a garment', 'carried over'] as const;
export type Source = (typeof SOURCES)[number];

export type ReadingState = 'read' | 'declined' | 'skipped';

/** One line of a session's record. Readings are only ever added; a correction names what it replaces. */
export interface Reading {
  readonly id: string;
  readonly measure: string;
  readonly state: ReadingState;
  /** what was read; null when declined or skipped */
  readonly written: Written | null;
  readonly way: Way;
  readonly tape: Tape;
  readonly source: Source;
  /** id of the earlier reading this one corrects */
  readonly replaces: string | null;
  /** why a doubtful figure stands, in the fitter's words */
  readonly reason: string;
  readonly note: string;
  readonly by: string;
  readonly wroteBy: string;
  /** ISO instant */
  readonly at: string;
}

/** A measurement as the session leaves it: what counts, and where it came from. Lengths in cm. */
export interface Measured {
  readonly measure: Measure;
  readonly state: ReadingState | 'pending';
  readonly readings: readonly Reading[];
  readonly agreement: Agreement;
  /** whole girth or length as the tape gave it; null when there is none */
  readonly raw: Cm | null;
  /** what the tape convention had added */
  readonly added: Cm;
  /** the body: raw − added; null when there is none */
  readonly net: Cm | null;
  /** as read, joined: "34 3⁄8 in, 34 1⁄2 in" */
  readonly asRead: string;
  /** sentences that explain the figure */
  readonly why: readonly string[];
  /** the measures it was made from, where it was not read itself */
  readonly from?: readonly string[];
}

/** The whole girth or length one reading stands for, cm. @throws RangeError when it holds no figure. */
export function wholeOf(reading: Pick<Reading, 'written' | 'way'>): Cm {
  if (!reading.written) throw new RangeError('This reading holds no figure');
  return cm(writtenToCm(reading.written) * TIMES[reading.way]);
}

/**
 * The readings that still stand: those no later one replaces. One that only strikes another out (skipped,
 * naming what it replaces) does not stand itself. Order is kept.
 */
export function standing(readings: readonly Reading[]): Reading[] {
  if (readings.every((r) => r.replaces === null)) return [...readings];
  const replaced = new Set(readings.map((r) => r.replaces));
  return readings.filter((r) => !replaced.has(r.id) && !(r.state === 'skipped' && r.replaces !== null));
}

/** Brings one measure's readings to the figure that counts. */
export const resolve = (m: Measure, all: readonly Reading[]): Measured =>
  resolved(
    m,
    all.filter((r) => r.measure === m.id),
  );

/** The same of readings that are all this measure's. */
function resolved(m: Measure, own: readonly Reading[]): Measured {
  // Most measures are read once: there is nothing to agree and nothing that was replaced.
  const [only] = own;
  if (own.length === 1 && only!.replaces === null && only!.state === 'read' && only!.written) {
    const whole = wholeOf(only!);
    const net = cm(whole - tapeAdded(only!.tape, m));
    return new Read(m, own, own, { state: 'single', value: net }, whole, net);
  }
  const live = standing(own);
  const read = live.filter((r) => r.state === 'read' && r.written);
  const last = live.at(-1);
  if (read.length === 0) {
    const state = last ? last.state : 'pending';
    const said = {
      declined: 'Declined by the client.',
      skipped: 'Skipped.',
      read: '',
      pending: 'Not measured.',
    }[state];
    return {
      measure: m,
      state,
      readings: live,
      agreement: { state: 'none' },
      raw: null,
      added: cm(0),
      net: null,
      asRead: '',
      why: [said],
    };
  }
  const wholes = read.map(wholeOf);
  const nets = wholes.map((whole, i) => cm(whole - tapeAdded(read[i]!.tape, m)));
  const agreement = agree(nets, m.agree);
  const raw = (agree(wholes, m.agree) as { value: Cm }).value;
  const net = (agreement as { value: Cm }).value;
  return new Read(m, live, read, agreement, raw, net);
}

/** A measure that was read. Its words are put together when somebody asks for them: most of a session's never are. */
class Read implements Measured {
  readonly state = 'read';
  readonly added: Cm;
  constructor(
    readonly measure: Measure,
    readonly readings: readonly Reading[],
    private readonly counted: readonly Reading[],
    readonly agreement: Agreement,
    readonly raw: Cm,
    readonly net: Cm,
  ) {
    this.added = cm(raw - net);
  }
  get asRead(): string {
    return this.counted.map((r) => printWritten(r.written!)).join(', ');
  }
  get why(): readonly string[] {
    const girth = this.measure.kind === 'girth';
    return [
      agreementSentence(this.agreement),
      ...new Set(this.counted.map((r) => (girth ? tapeSentence(r.tape) : ''))),
      ...[...new Set(this.counted.map((r) => r.way))]
        .filter((way) => way !== 'whole')
        .map((way) => `Written as a ${way}; the whole is ${TIMES[way]} times that.`),
      ...this.counted.filter((r) => r.reason).map((r) => `Confirmed: ${r.reason} (${r.by}).`),
    ].filter(Boolean);
  }
}

/** Every measure that has a reading in the session, resolved, by id. Unknown measures are left out. */
export function resolveAll(readings: readonly Reading[]): Map<string, Measured> {
  const groups = new Map<string, Reading[]>();
  for (const r of readings) {
    const group = groups.get(r.measure);
    if (group) group.push(r);
    else groups.set(r.measure, [r]);
  }
  const out = new Map<string, Measured>();
  for (const [id, group] of groups) {
    const m = findMeasure(id);
    if (m) out.set(id, resolved(m, group));
  }
  return out;
}

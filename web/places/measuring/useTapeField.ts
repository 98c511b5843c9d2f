import {
  type CheckContext,
  cm,
  type Finding,
  formatSentence,
  type LengthUnit,
  readLength,
  type SheetUnit,
  TAPES,
  type Tape,
  type TapeLine,
  tapeAdded,
  tapeNote,
  tapeTyped,
  WAYS,
  type Way,
  wholeOf,
} from '@rocchetto/core';
import { checkReading, movedSince } from '@rocchetto/core/checks/reading-checks.ts';
import { type KeyboardEvent, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useSettled } from '../../shared/useSettled.ts';

export interface Taken {
  readonly typed: string;
  readonly unit: 'cm' | 'in';
  readonly way: Way;
  readonly tape: Tape;
  readonly reason: string;
  /** last time’s figure, shown and taken by a hand: it is not read anew */
  readonly carried: boolean;
  /** which press of a digital tape it was; empty when a hand typed it */
  readonly note: string;
}
export interface TapeFieldProps {
  readonly context: Omit<CheckContext, 'value' | 'written' | 'way'>;
  readonly unit: SheetUnit;
  readonly setUnit: (u: SheetUnit) => void;
  readonly tape: Tape;
  readonly setTape: (t: Tape) => void;
  readonly onTake: (t: Taken) => void;
  readonly onNext: () => void;
  readonly onBack: () => void;
  readonly onAgain: () => void;
  readonly onState: (s: 'declined' | 'skipped') => void;
  /** what a digital tape has just sent: it is put in and taken as if typed, unless a hand is at something */
  readonly heard: (TapeLine & { readonly count: number }) | null;
  readonly onBusy: (line: TapeLine) => void;
}

export const otherUnit = (u: LengthUnit): SheetUnit => (u === 'in' ? 'cm' : 'in');
export const nextOf = <T>(all: readonly T[], now: T): T => all[(all.indexOf(now) + 1) % all.length]!;

interface Typed {
  readonly context: TapeFieldProps['context'];
  readonly typed: string;
  readonly unit: SheetUnit;
  readonly way: Way;
  readonly tape: Tape;
}
/** What a hand has typed, read once: the length it is, what the tape's own ease adds, and what is unlikely about it. */
export function understand({ context, typed, unit, way, tape }: Typed) {
  const read = typed.trim() ? readLength(typed, unit) : null;
  const whole = read?.ok ? wholeOf({ written: read.written, way }) : null;
  const added = tapeAdded(tape, context.measure);
  const value =
    read?.ok && whole !== null ? { ...context, value: cm(whole - added), written: read.written, way } : null;
  const found = value ? checkReading(value) : [];
  const moved = value && found.length === 0 ? movedSince(value) : [];
  return { read, whole, added, found, moved };
}

interface Answer {
  readonly key: string;
  readonly word: string;
  readonly act: () => void;
}
/** What a hand may say to an unlikely figure: again, the other unit, or that it was a share of the whole. */
export function answersTo(
  of: Pick<ReturnType<typeof understand>, 'read'> & Pick<Typed, 'unit' | 'way'> & { readonly girth: boolean },
  again: () => void,
  takeAs: (meant: Partial<Taken>) => void,
): Answer[] {
  const { read, unit, girth, way } = of;
  const named = read?.ok ? read.written.unit : unit;
  return [
    { key: '1', word: 'again', act: again },
    ...(read?.ok && !read.unitGiven
      ? [
          {
            key: '2',
            word: `it was ${named === 'in' ? 'centimetres' : 'inches'}`,
            act: () => takeAs({ unit: otherUnit(unit) }),
          },
        ]
      : []),
    ...(girth && way === 'whole'
      ? [
          { key: '3', word: 'it was a half', act: () => takeAs({ way: 'half' }) },
          { key: '4', word: 'it was a quarter', act: () => takeAs({ way: 'quarter' }) },
        ]
      : []),
  ];
}

/** What a key does in an empty field, or with Alt beside what is typed. */
const keysOf = (
  { onState, onAgain, onBack, setUnit, unit, setTape, tape }: TapeFieldProps,
  { way, setWay, typed }: { readonly way: Way; readonly setWay: (w: Way) => void; readonly typed: string },
  asLastTime: () => void,
): Readonly<Record<string, () => void>> => ({
  s: () => onState('skipped'),
  d: () => onState('declined'),
  r: onAgain,
  u: () => setUnit(otherUnit(unit)),
  t: () => setTape(nextOf(TAPES, tape)),
  w: () => setWay(nextOf(WAYS, way)),
  // Shows last time's figure and takes nothing: Enter does that, and it stays marked as carried over.
  '=': asLastTime,
  ...(typed === '' ? { Backspace: onBack } : {}),
});

interface Hands {
  /** a hand is at something that must not be typed over */
  readonly busy: () => boolean;
  readonly put: (line: TapeLine) => void;
  readonly take: () => void;
}
/** A figure of the tape is typed and taken in one step; over what a hand has begun it is only offered. */
function useHeard({ heard, onBusy }: TapeFieldProps, { busy, put, take }: Hands): void {
  const [sent, setSent] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each press of the tape does this once
  useEffect(() => {
    if (!heard) return;
    if (busy()) return onBusy(heard);
    put(heard);
    setSent(heard.count);
  }, [heard?.count]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the figure stands in the field
  useEffect(() => {
    if (sent > 0) take();
  }, [sent]);
}

/**
 * A new measure begins with an empty field, but not over what a fast hand has typed since the last one was dealt with,
 * which the answer says. With the page itself: an effect that waited would take the first letter of a hand that saw the
 * new name.
 */
function useEmptiedFor(measure: string, empty: () => void, clear: () => void): () => void {
  const at = useRef(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new measure does this
  useLayoutEffect(() => {
    if (performance.now() - at.current > 1000) empty();
    clear();
  }, [measure]);
  return () => {
    at.current = performance.now();
  };
}

const notSaved = (f: Finding, unit: SheetUnit): string =>
  `${formatSentence(f.sentence, unit)} Not saved. Correct this one or the other.`;

/** What stands in the field, what is understood of it, what is asked about it, and what a key does there. */
export function useTapeField(props: TapeFieldProps) {
  const { context, unit, tape } = props;
  const [typed, setTyped] = useState('');
  const [way, setWay] = useState<Way>('whole');
  const [reason, setReason] = useState('');
  const [asked, setAsked] = useState<readonly Finding[]>([]);
  const [wrong, setWrong] = useState('');
  const [carried, setCarried] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const why = useRef<HTMLInputElement>(null);
  const clear = () => {
    setWay('whole');
    setReason('');
    setAsked([]);
    setWrong('');
    setCarried(false);
    field.current?.focus();
  };
  const taken = useEmptiedFor(context.measure.id, () => setTyped(''), clear);

  /** Skips or declines. What a fast hand types from here on is the next measure's, as after one that was taken. */
  const mark = (s: 'declined' | 'skipped') => {
    if (typed === '') taken();
    props.onState(s);
  };

  const note = useRef('');
  useHeard(props, {
    busy: () => (typed.trim() !== '' && note.current === '') || asked.length > 0,
    put: (line) => {
      setWrong('');
      setTyped(tapeTyped(line));
      note.current = tapeNote(line);
    },
    take: () => take(),
  });

  // The question takes the focus as it appears, so that a fast hand's next key is already the reason.
  useLayoutEffect(() => {
    if (asked.length > 0) why.current?.focus();
  }, [asked]);

  const { read, whole, added, found, moved } = understand({ context, typed, unit, way, tape });
  // While it is typed an unlikely figure says so quietly, once it has stood still; half a figure is always unlikely.
  const settled = useSettled(typed, 500);
  const quiet = settled === typed ? [...found, ...moved] : [];

  const take = () => {
    if (!read) return props.onNext();
    if (!read.ok) return setWrong(read.sentence);
    const hard = found.find((f) => f.level === 'hard');
    if (hard) return setWrong(notSaved(hard, unit));
    if (found.length > 0 && !reason.trim()) {
      setAsked(found);
      return;
    }
    taken();
    props.onTake({
      typed,
      unit,
      way,
      tape,
      reason: found.length ? reason.trim() : '',
      carried,
      note: note.current,
    });
    note.current = '';
    setTyped('');
    clear();
  };

  const onKey = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.ctrlKey || e.metaKey) return;
    if (e.key === 'Enter') {
      e.preventDefault();
      return take();
    }
    if (typed !== '' && !e.altKey) return;
    const does = keysOf({ ...props, onState: mark }, { way, setWay, typed }, () => {
      if (!context.last) return;
      setTyped(context.last.text);
      setCarried(true);
    });
    const act = does[e.key];
    if (!act) return;
    e.preventDefault();
    act();
  };

  const readAgain = () => {
    setAsked([]);
    setReason('');
    setTyped('');
    note.current = '';
    field.current?.focus();
  };
  /** Takes what stands in the field as it was meant: in the other unit, or as a share of the whole. */
  const takeAs = (meant: Partial<Taken>) => {
    taken();
    props.onTake({ typed, unit, way, tape, reason: '', carried, note: note.current, ...meant });
    note.current = '';
    readAgain();
    setWay('whole');
  };
  const girth = context.measure.kind === 'girth';
  const answers = answersTo({ read, unit, girth, way }, readAgain, takeAs);
  const change = (text: string) => {
    setTyped(text);
    note.current = '';
    setCarried(false);
    setWrong('');
    setAsked([]);
  };
  return {
    field,
    why,
    typed,
    read,
    whole,
    added,
    way,
    setWay,
    reason,
    setReason,
    asked,
    wrong,
    carried,
    quiet,
    girth,
    answers,
    change,
    take,
    mark,
    readAgain,
    onKey,
  };
}
export type TapeFieldNow = ReturnType<typeof useTapeField>;

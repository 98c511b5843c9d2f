import {
  bandOf,
  bandSentence,
  type CheckContext,
  type Cm,
  checkReading,
  cm,
  type Expectation,
  type Finding,
  type LengthUnit,
  movedSince,
  printEquals,
  printWithUnit,
  readLength,
  type SheetUnit,
  TAPE_NAME,
  TAPES,
  type Tape,
  type TapeLine,
  tapeAdded,
  tapeNote,
  tapeTyped,
  tell,
  WAYS,
  type Way,
  wholeOf,
} from '@rocchetto/core';
import { type KeyboardEvent, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Notice } from '../../shared/Notice.tsx';
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
interface Props {
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

const otherUnit = (u: LengthUnit): SheetUnit => (u === 'in' ? 'cm' : 'in');
const nextOf = <T,>(all: readonly T[], now: T): T => all[(all.indexOf(now) + 1) % all.length]!;

/** One big field: what was called out, understood in both units at once; Enter takes it. */
export function TapeField(props: Props) {
  const { context, unit, setUnit, tape, setTape } = props;
  const [typed, setTyped] = useState('');
  const [way, setWay] = useState<Way>('whole');
  const [reason, setReason] = useState('');
  const [asked, setAsked] = useState<readonly Finding[]>([]);
  const [wrong, setWrong] = useState('');
  const [carried, setCarried] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const why = useRef<HTMLInputElement>(null);
  const id = context.measure.id;
  const tookAt = useRef(0);
  // A new measure begins with an empty field, but not over what a fast hand has typed since the last one was taken.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new measure does this
  useEffect(() => {
    if (performance.now() - tookAt.current > 1000) setTyped('');
    setWay('whole');
    setReason('');
    setAsked([]);
    setWrong('');
    setCarried(false);
    field.current?.focus();
  }, [id]);

  // A figure of the tape is typed and taken in one step; over what a hand has begun it is only offered.
  const note = useRef('');
  const [sent, setSent] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each press of the tape does this once
  useEffect(() => {
    if (!props.heard) return;
    const mine = typed.trim() !== '' && note.current === '';
    if (mine || asked.length > 0) return props.onBusy(props.heard);
    setWrong('');
    setTyped(tapeTyped(props.heard));
    note.current = tapeNote(props.heard);
    setSent(props.heard.count);
  }, [props.heard?.count]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the figure stands in the field
  useEffect(() => {
    if (sent > 0) take();
  }, [sent]);

  // The question takes the focus as it appears, so that a fast hand's next key is already the reason.
  useLayoutEffect(() => {
    if (asked.length > 0) why.current?.focus();
  }, [asked]);

  const read = typed.trim() ? readLength(typed, unit) : null;
  const whole = read?.ok ? wholeOf({ written: read.written, way }) : null;
  const added = tapeAdded(tape, context.measure);

  const found =
    read?.ok && whole !== null
      ? checkReading({ ...context, value: cm(whole - added), written: read.written, way })
      : [];
  // While it is typed an unlikely figure says so quietly, once it has stood still; half a figure is always unlikely.
  const settled = useSettled(typed, 500);
  const moved =
    read?.ok && whole !== null && found.length === 0
      ? movedSince({ ...context, value: cm(whole - added), written: read.written, way })
      : [];
  const quiet = settled === typed ? [...found, ...moved] : [];

  const take = () => {
    if (!read) return props.onNext();
    if (!read.ok) return setWrong(read.sentence);
    const hard = found.find((f) => f.level === 'hard');
    if (hard)
      return setWrong(`${tell(hard.sentence, unit)} It was not taken; correct it, or correct the other one.`);
    if (found.length > 0 && !reason.trim()) {
      setAsked(found);
      return;
    }
    tookAt.current = performance.now();
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
    setReason('');
    setAsked([]);
    setWrong('');
    setWay('whole');
    setCarried(false);
    field.current?.focus();
  };

  const onKey = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.ctrlKey || e.metaKey) return;
    if (e.key === 'Enter') {
      e.preventDefault();
      return take();
    }
    if (typed !== '' && !e.altKey) return;
    const does: Record<string, () => void> = {
      s: () => props.onState('skipped'),
      d: () => props.onState('declined'),
      r: props.onAgain,
      u: () => setUnit(otherUnit(unit)),
      t: () => setTape(nextOf(TAPES, tape)),
      w: () => setWay(nextOf(WAYS, way)),
      // Shows last time's figure and takes nothing: Enter does that, and it stays marked as carried over.
      '=': () => {
        if (!context.last) return;
        setTyped(context.last.text);
        setCarried(true);
      },
      ...(typed === '' ? { Backspace: props.onBack } : {}),
    };
    const act = does[e.key];
    if (!act) return;
    e.preventDefault();
    act();
  };

  const girth = context.measure.kind === 'girth';
  const readAgain = () => {
    setAsked([]);
    setReason('');
    setTyped('');
    note.current = '';
    field.current?.focus();
  };
  /** Takes what stands in the field as it was meant: in the other unit, or as a share of the whole. */
  const takeAs = (meant: Partial<Taken>) => {
    tookAt.current = performance.now();
    props.onTake({ typed, unit, way, tape, reason: '', carried, note: note.current, ...meant });
    note.current = '';
    readAgain();
    setWay('whole');
  };
  const named = read?.ok ? read.written.unit : unit;
  const answers = [
    { key: '1', word: 'again', act: readAgain },
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
          { key: '3', word: 'it was a half', act: () => takeAs({ way: 'half' as const }) },
          { key: '4', word: 'it was a quarter', act: () => takeAs({ way: 'quarter' as const }) },
        ]
      : []),
  ];
  return (
    <div>
      <label
        className="hidden"
        htmlFor="reading"
      >{`${context.measure.name}, in ${unit === 'in' ? 'inches' : 'centimetres'}`}</label>
      <div className="row typed">
        <input
          id="reading"
          ref={field}
          className={`reading${read?.ok ? ' chalked' : ''}`}
          value={typed}
          autoComplete="off"
          inputMode="text"
          enterKeyHint="next"
          aria-describedby="understood"
          aria-invalid={wrong !== ''}
          maxLength={200}
          onChange={(e) => {
            setTyped(e.target.value);
            note.current = '';
            setCarried(false);
            setWrong('');
            setAsked([]);
          }}
          onKeyDown={onKey}
        />
        {carried && <span className="soft">as last time, not read</span>}
        <span className="unit">{read?.ok && read.unitGiven ? '' : unit}</span>
      </div>
      <p id="understood" className="understood" aria-live="polite">
        {whole !== null && read?.ok ? (
          <>
            <strong>
              {read.written.text} {read.written.unit}
            </strong>{' '}
            {printEquals(whole, otherUnit(read.written.unit))}
            {way !== 'whole' &&
              `, whole ${printWithUnit(whole, read.written.unit === 'in' ? 'in' : 'cm')} from a ${way}`}
            {added > 0 &&
              `, body ${printWithUnit(cm(whole - added), 'cm')} once the tape’s ${printWithUnit(added, 'cm')} is out`}
          </>
        ) : read && !read.ok && typed.length > 2 ? (
          <span className="soft">{read.sentence}</span>
        ) : (
          ' '
        )}
      </p>
      {context.expected && asked.length === 0 && wrong === '' && quiet.length === 0 && (
        <Band of={context.expected} id={id} unit={unit} value={whole === null ? null : cm(whole - added)} />
      )}
      {quiet.length > 0 && asked.length === 0 && wrong === '' && (
        <p className="unlikely" role="status">
          {quiet.map((f) => tell(f.sentence, unit)).join(' ')}
        </p>
      )}
      {wrong && <Notice is="bad">{wrong}</Notice>}
      {asked.length > 0 && (
        <div className="notice" role="alert">
          {asked.map((f) => (
            <p key={f.code}>{tell(f.sentence, unit)}</p>
          ))}
          <p className="row answers">
            {answers.map(({ key, word, act }) => (
              <button key={key} type="button" className="quiet" onClick={act}>
                <kbd>{key}</kbd> {word}
              </button>
            ))}
          </p>
          <label htmlFor="reason">It stands, because: </label>
          <input
            id="reason"
            ref={why}
            className="reason"
            value={reason}
            maxLength={500}
            placeholder="reason, then Enter; Esc to read again"
            onChange={(e) => setReason(e.target.value)}
            onKeyDown={(e) => {
              const answer = reason === '' ? answers.find((a) => a.key === e.key) : undefined;
              if (answer) {
                e.preventDefault();
                answer.act();
              }
              if (e.key === 'Enter') {
                e.preventDefault();
                take();
              }
              if (e.key === 'Escape') readAgain();
            }}
          />
        </div>
      )}
      <div className="row turns">
        <button type="button" className="quiet tall" onClick={() => setUnit(otherUnit(unit))}>
          tape in <strong>{unit === 'in' ? 'inches' : 'cm'}</strong>
        </button>
        {girth && (
          <button type="button" className="quiet tall" onClick={() => setTape(nextOf(TAPES, tape))}>
            held <strong>{TAPE_NAME[tape]}</strong>
          </button>
        )}
        {girth && (
          <button type="button" className="quiet tall" onClick={() => setWay(nextOf(WAYS, way))}>
            read as <strong>{way}</strong>
          </button>
        )}
      </div>
      <div className="row turns">
        <button type="button" className="take" onClick={take}>
          Take it
        </button>
        <button type="button" className="quiet tall" onClick={() => props.onState('skipped')}>
          skip
        </button>
        <button type="button" className="quiet tall" onClick={() => props.onState('declined')}>
          declined
        </button>
      </div>
    </div>
  );
}

interface BandProps {
  readonly of: Expectation;
  readonly id: string;
  readonly unit: SheetUnit;
  readonly value: Cm | null;
}

/** The quiet band: what the other figures and last time lead one to expect, and where this figure lies. */
function Band({ of, id, unit, value }: BandProps) {
  if (of.last === null && of.from.length === 0) return null;
  const [from, to] = bandOf(of);
  const at = value === null ? null : 50 + (25 * (value - of.mean)) / (1.96 * of.spread);
  return (
    <figure className="expects" title={tell(bandSentence(id, of), unit)}>
      <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
        <path d="M0 5 L100 5" stroke="var(--line)" strokeWidth={1} />
        <path d="M25 5 L75 5" stroke="var(--chalk)" strokeWidth={4} />
        {at !== null && (
          <path
            d={`M${Math.min(99, Math.max(1, at))} 0 L${Math.min(99, Math.max(1, at))} 10`}
            stroke="var(--thread)"
            strokeWidth={1.2}
          />
        )}
      </svg>
      <figcaption className="soft">
        {printWithUnit(from, unit)} to {printWithUnit(to, unit)} is expected
      </figcaption>
    </figure>
  );
}

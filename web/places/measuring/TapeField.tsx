import {
  type Cm,
  cm,
  formatSentence,
  printByHand,
  printEquals,
  printWithUnit,
  type SheetUnit,
  TAPE_NAME,
  TAPES,
  WAYS,
} from '@rocchetto/core';
import type { Expectation } from '@rocchetto/core/expected-ranges/expectation.ts';
import { bandOf, bandSentence } from '@rocchetto/core/expected-ranges/slips.ts';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { nextOf, otherUnit, type TapeFieldNow, type TapeFieldProps, useTapeField } from './useTapeField.ts';

/** One big field: what was called out, understood in both units at once; Enter takes it. */
export function TapeField(props: TapeFieldProps) {
  const { context, unit } = props;
  const f = useTapeField(props);
  const { whole, added, quiet, asked, wrong } = f;
  return (
    <div>
      <label
        className="hidden"
        htmlFor="reading"
      >{`${context.measure.name}, in ${unit === 'in' ? 'inches' : 'centimetres'}`}</label>
      <div className="row typed">
        <TextField
          bare
          id="reading"
          ref={f.field}
          className={`reading${f.read?.ok ? ' chalked' : ''}`}
          value={f.typed}
          autoComplete="off"
          inputMode="text"
          enterKeyHint="next"
          aria-describedby="understood"
          aria-invalid={wrong !== ''}
          maxLength={200}
          onChange={(e) => f.change(e.target.value)}
          onKeyDown={f.onKey}
        />
        {f.carried && <span className="soft">as last time, not read</span>}
        <span className="unit">{f.read?.ok && f.read.unitGiven ? '' : unit}</span>
      </div>
      <Understood field={f} />
      {context.expected && asked.length === 0 && wrong === '' && quiet.length === 0 && (
        <Band
          expectation={context.expected}
          id={context.measure.id}
          unit={unit}
          value={whole === null ? null : cm(whole - added)}
        />
      )}
      {quiet.length > 0 && asked.length === 0 && wrong === '' && (
        <p className="unlikely" role="status">
          {quiet.map((x) => formatSentence(x.sentence, unit)).join(' ')}
        </p>
      )}
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      {asked.length > 0 && <Question field={f} unit={unit} />}
      <Turns field={f} {...props} />
    </div>
  );
}

/** What is understood of what stands in the field, in both units, and of the body once the tape's own ease is out. */
function Understood({ field: { read, whole, way, added, typed } }: { readonly field: TapeFieldNow }) {
  const own = read?.ok && read.written.unit === 'in' ? 'in' : 'cm';
  return (
    <p id="understood" className="understood" aria-live="polite">
      {whole !== null && read?.ok ? (
        <>
          <strong>
            {read.written.text} {read.written.unit}
          </strong>{' '}
          {printEquals(whole, otherUnit(read.written.unit))}
          {way !== 'whole' && `, whole ${printWithUnit(whole, own)} from a ${way}`}
          {added > 0 &&
            `, body ${printWithUnit(cm(whole - added), own)} once the tape’s ${printByHand(added, own)} is out`}
        </>
      ) : read && !read.ok && typed.length > 2 ? (
        <span className="soft">{read.sentence}</span>
      ) : (
        ' '
      )}
    </p>
  );
}

/** What is asked about an unlikely figure: read again, meant otherwise, or it stands with a reason. */
function Question({ field: f, unit }: { readonly field: TapeFieldNow; readonly unit: SheetUnit }) {
  return (
    <div className="notice" role="alert">
      {f.asked.map((x) => (
        <p key={x.code}>{formatSentence(x.sentence, unit)}</p>
      ))}
      <p className="row answers">
        {f.answers.map(({ key, word, act }) => (
          <ActionButton look="quiet" key={key} onClick={act}>
            <kbd>{key}</kbd> {word}
          </ActionButton>
        ))}
      </p>
      <label htmlFor="reason">It’s right, because: </label>
      <TextField
        bare
        id="reason"
        ref={f.why}
        className="reason"
        value={f.reason}
        maxLength={500}
        placeholder="reason, then Enter; Esc to measure again"
        onChange={(e) => f.setReason(e.target.value)}
        onKeyDown={(e) => {
          const answer = f.reason === '' ? f.answers.find((a) => a.key === e.key) : undefined;
          if (answer) {
            e.preventDefault();
            answer.act();
          }
          if (e.key === 'Enter') {
            e.preventDefault();
            f.take();
          }
          if (e.key === 'Escape') f.readAgain();
        }}
      />
    </div>
  );
}

/** The same by hand: what the tape reads in, how it is held, whole or part, and what becomes of this measure. */
function Turns({
  field: f,
  unit,
  setUnit,
  tape,
  setTape,
}: { readonly field: TapeFieldNow } & Pick<TapeFieldProps, 'unit' | 'setUnit' | 'tape' | 'setTape'>) {
  return (
    <>
      <div className="row turns">
        <ActionButton look="quiet" className="tall" onClick={() => setUnit(otherUnit(unit))}>
          tape in <strong>{unit === 'in' ? 'inches' : 'cm'}</strong>
        </ActionButton>
        {f.girth && (
          <ActionButton look="quiet" className="tall" onClick={() => setTape(nextOf(TAPES, tape))}>
            held <strong>{TAPE_NAME[tape]}</strong>
          </ActionButton>
        )}
        {f.girth && (
          <ActionButton look="quiet" className="tall" onClick={() => f.setWay(nextOf(WAYS, f.way))}>
            measured as <strong>{f.way}</strong>
          </ActionButton>
        )}
      </div>
      <div className="row turns">
        <ActionButton look="take" onClick={f.take}>
          Save
        </ActionButton>
        <ActionButton look="quiet" className="tall" onClick={() => f.mark('skipped')}>
          Skip
        </ActionButton>
        <ActionButton look="quiet" className="tall" onClick={() => f.mark('declined')}>
          Declined
        </ActionButton>
      </div>
    </>
  );
}

interface BandProps {
  readonly expectation: Expectation;
  readonly id: string;
  readonly unit: SheetUnit;
  readonly value: Cm | null;
}

/** The quiet band: what the other figures and last time lead one to expect, and where this figure lies. */
function Band({ expectation, id, unit, value }: BandProps) {
  if (expectation.last === null && expectation.from.length === 0) return null;
  const [from, to] = bandOf(expectation);
  const at = value === null ? null : 50 + (25 * (value - expectation.mean)) / (1.96 * expectation.spread);
  return (
    <figure className="expects" title={formatSentence(bandSentence(id, expectation), unit)}>
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

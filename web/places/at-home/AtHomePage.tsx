import '../../shared/door.css';
import { Contact } from '../../shared/Contact.tsx';
import '../../parts/tape/tape.css';
import './athome.css';
import type { HomePage, Problem } from '@rocchetto/contract';
import { measure, printEquals, readLength, wholeOf } from '@rocchetto/core';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';
import { LANDMARKS } from '@rocchetto/core/measures/guide/landmarks.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { TapeFigure } from '../../parts/tape/TapeFigure.tsx';
import { EMPTY, type HomeDraft, keepDraft, keptDraft, open, saidOf } from './draft.ts';

const AWAY = 'Can’t reach the studio. What you wrote is still here. Try again in a moment.';

async function ask(path: string, body: object): Promise<HomePage | string> {
  try {
    const res = await fetch(`/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const data = (await res.json()) as HomePage | Problem;
    return res.ok ? (data as HomePage) : ((data as Problem).detail ?? AWAY);
  } catch {
    return AWAY;
  }
}

/** A client measures at home: one measure after the other with its picture, then all of them once more, then sent. */
export function Component() {
  const key = window.location.hash.slice(1);
  const [page, setPage] = useState<HomePage | null>(null);
  const [wrong, setWrong] = useState('');
  const [draft, setDraft] = useState<HomeDraft>(() => keptDraft(key));
  const [step, setStep] = useState(0);
  const [busy, setBusy] = useState(false);
  const change = (more: Partial<HomeDraft>) => {
    const next = { ...draft, ...more };
    setDraft(next);
    keepDraft(key, next);
  };
  const take = useCallback((got: HomePage | string) => {
    setWrong(typeof got === 'string' ? got : '');
    if (typeof got !== 'string') setPage(got);
  }, []);
  useEffect(() => {
    document.title = 'Measuring at home';
    void ask('/at-home/look', { key }).then(take);
  }, [key, take]);
  // A new step begins at its top, with the focus where the hand goes on.
  const top = useRef<HTMLHeadingElement>(null);
  const go = (to: number) => {
    setStep(to);
    setWrong('');
    requestAnimationFrame(() => {
      window.scrollTo({ top: 0 });
      (document.getElementById('at-home-figure') ?? top.current)?.focus();
    });
  };
  const send = async () => {
    setBusy(true);
    const { lines, ...rest } = draft;
    const readings = (page?.measures ?? []).flatMap((m) => {
      const line = lines[m];
      return line?.text.trim()
        ? [{ id: line.id, measure: m, text: line.text.trim(), stands: line.stands }]
        : [];
    });
    const got = await ask('/at-home', { key, ...rest, readings });
    take(got);
    if (typeof got !== 'string') {
      keepDraft(key, null);
      setDraft(EMPTY);
    }
    setBusy(false);
  };
  const measures = page?.measures ?? [];
  const id = measures[step - 1];
  return (
    <main className={id ? 'athome taping' : 'door'}>
      {wrong && (!page || id) && (
        <div className="notice bad" role="alert">
          {wrong}
        </div>
      )}
      {!page && !wrong && <p role="status">Loading …</p>}
      {page?.sent && (
        <>
          <div>
            <h1 ref={top} tabIndex={-1}>
              {page.studio}
            </h1>
            <p className="soft">{page.client}, your measurements</p>
            <Contact of={page.contact} />
          </div>
          <div className="notice good" role="status">
            Sent on {page.sent}. Thank you. The studio will check them and measure again with you before
            anything is cut.
          </div>
        </>
      )}
      {page && !page.sent && step === 0 && (
        <Begin page={page} draft={draft} change={change} top={top} onGo={() => go(1)} />
      )}
      {page && !page.sent && id && (
        <One
          key={id}
          id={id}
          at={`${step} of ${measures.length}`}
          draft={draft}
          change={change}
          onBack={() => go(step - 1)}
          onNext={() => go(step + 1)}
        />
      )}
      {page && !page.sent && step > measures.length && (
        <LookThrough
          page={page}
          draft={draft}
          change={change}
          top={top}
          wrong={wrong}
          busy={busy}
          onGo={go}
          onSend={() => void send()}
        />
      )}
    </main>
  );
}

interface Part {
  readonly page: HomePage;
  readonly draft: HomeDraft;
  readonly change: (more: Partial<HomeDraft>) => void;
  readonly top: React.RefObject<HTMLHeadingElement | null>;
}

function Begin({ page, draft, change, top, onGo }: Part & { onGo: () => void }) {
  return (
    <>
      <div>
        <h1 ref={top} tabIndex={-1}>
          {page.studio}
        </h1>
        <p>
          {page.client}, these are {page.measures.length} measures for your garment. They take about{' '}
          {Math.max(5, page.measures.length * 2)} minutes.
        </p>
        <ul className="why">
          <li>You need a soft tape, a mirror, and someone to hold the tape.</li>
          <li>Measure over thin underwear, without shoes.</li>
          <li>
            Tie a ribbon or cord at your waist, where you fold when you bend to the side. Many measurements
            start there.
          </li>
          <li>Stand as you always do. The tape should touch, not press.</li>
          <li>Leave out anything you would rather not measure.</li>
        </ul>
        <p className="soft">Open until {page.until}. What you type stays in this window until you send it.</p>
      </div>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          onGo();
        }}
      >
        <fieldset className="units">
          <legend>Your tape shows</legend>
          {(['cm', 'in'] as const).map((u) => (
            <label key={u}>
              <input
                type="radio"
                name="unit"
                checked={draft.unit === u}
                onChange={() => change({ unit: u })}
              />{' '}
              {u === 'cm' ? 'centimetres' : 'inches'}
            </label>
          ))}
        </fieldset>
        <Text of="helper" label="Who holds the tape (optional)" max={120} draft={draft} change={change} />
        <Text
          of="beneath"
          label="What you wear underneath (optional)"
          max={200}
          draft={draft}
          change={change}
        />
        {page.minor && (
          <Text of="guardian" label="Which adult is with you" max={200} draft={draft} change={change} />
        )}
        <button type="submit" className="take">
          Start
        </button>
      </form>
    </>
  );
}

function Text({
  of,
  label,
  max,
  draft,
  change,
}: {
  of: 'helper' | 'beneath' | 'guardian' | 'words';
  label: string;
  max: number;
} & Pick<Part, 'draft' | 'change'>) {
  return (
    <>
      <label htmlFor={of}>{label}</label>
      <input
        id={of}
        className="field"
        value={draft[of]}
        maxLength={max}
        onChange={(e) => change({ [of]: e.target.value })}
      />
    </>
  );
}

interface OneProps extends Pick<Part, 'draft' | 'change'> {
  readonly id: string;
  readonly at: string;
  readonly onBack: () => void;
  readonly onNext: () => void;
}

function One({ id, at, draft, change, onBack, onNext }: OneProps) {
  const m = measure(id);
  const g = guideOf(id);
  const line = draft.lines[id] ?? { id: crypto.randomUUID(), text: '', stands: false };
  const set = (more: Partial<typeof line>) =>
    change({ lines: { ...draft.lines, [id]: { ...line, ...more } } });
  const said = saidOf(id, line.text, draft.unit);
  const read = line.text.trim() ? readLength(line.text, draft.unit) : null;
  const [asked, setAsked] = useState(false);
  const next = () => {
    if (said && (said.hard || !line.stands)) return setAsked(true);
    onNext();
  };
  return (
    <>
      <TapeFigure measure={id} name={m.name} />
      <form
        className="at-tape"
        onSubmit={(e) => {
          e.preventDefault();
          next();
        }}
      >
        <p className="soft">{at}</p>
        <h1>{m.name}</h1>
        <p>{g.how}</p>
        <p className="soft">
          {g.first.map((l) => `${LANDMARKS[l].name}: ${LANDMARKS[l].find}`).join(' ')} Common mistake:{' '}
          {g.mistake}
        </p>
        <label htmlFor="at-home-figure">
          {m.name} in {draft.unit === 'cm' ? 'centimetres' : 'inches'}
        </label>
        <div className="row typed">
          <input
            id="at-home-figure"
            className="reading"
            value={line.text}
            autoComplete="off"
            inputMode={draft.unit === 'cm' ? 'decimal' : 'text'}
            enterKeyHint="next"
            maxLength={60}
            aria-describedby="at-home-said"
            aria-invalid={asked && said !== null}
            onChange={(e) => {
              set({ text: e.target.value, stands: false });
              setAsked(false);
            }}
          />
          <span className="unit">{draft.unit}</span>
        </div>
        <div id="at-home-said" aria-live="polite">
          {read?.ok && (
            <p className="understood">
              <strong>
                {read.written.text} {read.written.unit}
              </strong>{' '}
              {printEquals(
                wholeOf({ written: read.written, way: 'whole' }),
                read.written.unit === 'in' ? 'cm' : 'in',
              )}
            </p>
          )}
          {asked && said && (
            <div className="notice">
              <p>{said.sentence}</p>
              {!said.hard && (
                <label>
                  <input
                    type="checkbox"
                    checked={line.stands}
                    onChange={(e) => set({ stands: e.target.checked })}
                  />{' '}
                  I’ve checked; it’s right
                </label>
              )}
            </div>
          )}
        </div>
        <div className="row turns">
          <button type="submit" className="take">
            {line.text.trim() ? 'Next' : 'Leave out'}
          </button>
          <button type="button" className="quiet tall" onClick={onBack}>
            Back
          </button>
        </div>
      </form>
    </>
  );
}

interface LastProps extends Part {
  readonly wrong: string;
  readonly busy: boolean;
  readonly onGo: (step: number) => void;
  readonly onSend: () => void;
}

function LookThrough({ page, draft, change, top, wrong, busy, onGo, onSend }: LastProps) {
  const unsure = new Set(open(draft, page.measures));
  const some = page.measures.some((m) => draft.lines[m]?.text.trim());
  return (
    <>
      <div>
        <h1 ref={top} tabIndex={-1}>
          Check before sending
        </h1>
        <table className="figures">
          <tbody>
            {page.measures.map((m, i) => (
              <tr key={m}>
                <th scope="row">{measure(m).name}</th>
                <td>
                  {draft.lines[m]?.text.trim()
                    ? `${draft.lines[m].text.trim()}${/[a-z]/i.test(draft.lines[m].text) ? '' : ` ${draft.unit}`}`
                    : '—'}
                </td>
                <td>
                  <button type="button" className="quiet" onClick={() => onGo(i + 1)}>
                    {unsure.has(m) ? 'Check' : 'Edit'}
                    <span className="hidden"> {measure(m).name}</span>
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          onSend();
        }}
      >
        {wrong && (
          <div className="notice bad" role="alert">
            {wrong}
          </div>
        )}
        {unsure.size > 0 && (
          <div className="notice">
            {[...unsure].map((m) => measure(m).name).join(', ')}: please check before you send.
          </div>
        )}
        <Text
          of="words"
          label="Has anything changed since you were last measured? (optional)"
          max={300}
          draft={draft}
          change={change}
        />
        <button type="submit" className="take" disabled={busy || !some || unsure.size > 0}>
          Send to the studio
        </button>
        <p className="soft">You can send once. The studio measures again with you before anything is cut.</p>
      </form>
    </>
  );
}

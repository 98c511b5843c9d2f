import { ActionButton, Ledger, RadioMark, TextField, Tick } from '../../shared/pieces.tsx';
import '../../shared/door.css';
import { Contact } from '../../shared/Contact.tsx';
import '../../parts/tape/tape.css';
import './athome.css';
import type { HomePage, Problem } from '@rocchetto/contract';
import { measure, printEquals, readLength, wholeOf } from '@rocchetto/core';
import type { FigureView } from '@rocchetto/core/measures/guide/figure-model.ts';
import { courseView } from '@rocchetto/core/measures/guide/guide.ts';
import { fillHome, HOME_WORDS, type HomeWord } from '@rocchetto/core/measures/guide/home-words.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { TapeFigure } from '../../parts/tape/TapeFigure.tsx';
import { EMPTY, type HomeDraft, keepDraft, keptDraft, open, saidOf } from './draft.ts';

/** A text of the page in the client's language, with what it names. */
type Say = (id: string, more?: Readonly<Record<string, string>>) => string;
const sayOf =
  (page: HomePage | null): Say =>
  (id, more = {}) =>
    fillHome(page?.words[id] ?? (HOME_WORDS as Readonly<Record<string, string>>)[id] ?? '', {
      client: page?.client ?? '',
      count: `${page?.measures.length ?? 0}`,
      minutes: `${Math.max(5, (page?.measures.length ?? 0) * 2)}`,
      until: page?.until ?? '',
      sent: page?.sent ?? '',
      ...more,
    });
const LOOKED: Readonly<Record<FigureView, HomeWord>> = {
  front: 'front',
  side: 'side',
  back: 'behind',
  seated: 'seated',
};

async function ask(path: string, body: object, away: string = HOME_WORDS.away): Promise<HomePage | string> {
  try {
    const res = await fetch(`/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const data = (await res.json()) as HomePage | Problem;
    return res.ok ? (data as HomePage) : ((data as Problem).detail ?? away);
  } catch {
    return away;
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
  const say = sayOf(page);
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
    document.title = HOME_WORDS.title;
    void ask('/at-home/look', { key }).then(take);
  }, [key, take]);
  useEffect(() => {
    if (!page) return;
    document.title = page.words.title ?? HOME_WORDS.title;
    if (page.language) document.documentElement.lang = page.language;
  }, [page]);
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
        ? [
            {
              id: line.id,
              measure: m,
              text: line.text.trim(),
              tape: line.finger ? 'one-finger' : 'snug',
              stands: line.stands,
            },
          ]
        : [];
    });
    const got = await ask('/at-home', { key, ...rest, readings }, say('away'));
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
      {!page && !wrong && <p role="status">{HOME_WORDS.loading}</p>}
      {page?.sent && (
        <>
          <div>
            <h1 ref={top} tabIndex={-1}>
              {page.studio}
            </h1>
            <p className="soft">{say('yours')}</p>
            <Contact lines={page.contact} />
          </div>
          <div className="notice good" role="status">
            {say('sent')}
          </div>
        </>
      )}
      {page && !page.sent && step === 0 && (
        <Begin say={say} page={page} draft={draft} change={change} top={top} onGo={() => go(1)} />
      )}
      {page && !page.sent && id && (
        <One
          key={id}
          id={id}
          say={say}
          inEnglish={page.language === ''}
          at={say('at', { step: `${step}` })}
          draft={draft}
          change={change}
          onBack={() => go(step - 1)}
          onNext={() => go(step + 1)}
        />
      )}
      {page && !page.sent && step > measures.length && (
        <LookThrough
          say={say}
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
  readonly say: Say;
  readonly page: HomePage;
  readonly draft: HomeDraft;
  readonly change: (more: Partial<HomeDraft>) => void;
  readonly top: React.RefObject<HTMLHeadingElement | null>;
}

function Begin({ say, page, draft, change, top, onGo }: Part & { onGo: () => void }) {
  return (
    <>
      <div>
        <h1 ref={top} tabIndex={-1}>
          {page.studio}
        </h1>
        <p>{say('intro')}</p>
        <ul className="why">
          {(['need', 'beneathHow', 'cord', 'stand', 'leave'] as const).map((id) => (
            <li key={id}>{say(id)}</li>
          ))}
        </ul>
        <p className="soft">{say('open')}</p>
      </div>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          onGo();
        }}
      >
        <fieldset className="units">
          <legend>{say('tape')}</legend>
          {(['cm', 'in'] as const).map((u) => (
            <label key={u}>
              <RadioMark name="unit" checked={draft.unit === u} onChange={() => change({ unit: u })} />{' '}
              {say(u)}
            </label>
          ))}
        </fieldset>
        <Text field="helper" label={say('helper')} max={120} draft={draft} change={change} />
        <Text field="beneath" label={say('beneath')} max={200} draft={draft} change={change} />
        {page.minor && (
          <Text field="guardian" label={say('guardian')} max={200} draft={draft} change={change} />
        )}
        <ActionButton look="take" type="submit">
          {say('start')}
        </ActionButton>
      </form>
    </>
  );
}

function Text({
  field,
  label,
  max,
  draft,
  change,
}: {
  field: 'helper' | 'beneath' | 'guardian' | 'words';
  label: string;
  max: number;
} & Pick<Part, 'draft' | 'change'>) {
  return (
    <>
      <label htmlFor={field}>{label}</label>
      <TextField
        id={field}
        value={draft[field]}
        maxLength={max}
        onChange={(e) => change({ [field]: e.target.value })}
      />
    </>
  );
}

interface OneProps extends Pick<Part, 'say' | 'draft' | 'change'> {
  readonly id: string;
  /** the page is in the studio's English: what core finds about a figure is said as core says it */
  readonly inEnglish: boolean;
  readonly at: string;
  readonly onBack: () => void;
  readonly onNext: () => void;
}

function One({ id, say, inEnglish, at, draft, change, onBack, onNext }: OneProps) {
  const name = say(`name ${id}`);
  const line = draft.lines[id] ?? { id: crypto.randomUUID(), text: '', finger: false, stands: false };
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
      <TapeFigure
        measure={id}
        name={name}
        said={inEnglish ? undefined : `${name}, ${say(LOOKED[courseView(id)])}`}
      />
      <form
        className="at-tape"
        onSubmit={(e) => {
          e.preventDefault();
          next();
        }}
      >
        <p className="soft">{at}</p>
        <h1>{name}</h1>
        <p>{say(`how ${id}`)}</p>
        <label htmlFor="at-home-figure">{say('field', { measure: name, unit: say(draft.unit) })}</label>
        <div className="row typed">
          <TextField
            bare
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
              <p>{inEnglish ? said.sentence : say(said.hard ? 'unread' : 'unlikely')}</p>
              {!said.hard && (
                <label>
                  <Tick checked={line.stands} onChange={(e) => set({ stands: e.target.checked })} />{' '}
                  {say('checked')}
                </label>
              )}
            </div>
          )}
        </div>
        {measure(id).kind === 'girth' && (
          <label>
            <Tick checked={line.finger} onChange={(e) => set({ finger: e.target.checked })} /> {say('finger')}
          </label>
        )}
        <div className="row turns">
          <ActionButton look="take" type="submit">
            {say(line.text.trim() ? 'next' : 'skip')}
          </ActionButton>
          <ActionButton look="quiet" className="tall" onClick={onBack}>
            {say('back')}
          </ActionButton>
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

function LookThrough({ say, page, draft, change, top, wrong, busy, onGo, onSend }: LastProps) {
  const unsure = new Set(open(draft, page.measures));
  const some = page.measures.some((m) => draft.lines[m]?.text.trim());
  return (
    <>
      <div>
        <h1 ref={top} tabIndex={-1}>
          {say('look')}
        </h1>
        <Ledger bare className="figures">
          <tbody>
            {page.measures.map((m, i) => (
              <tr key={m}>
                <th scope="row">{say(`name ${m}`)}</th>
                <td>
                  {draft.lines[m]?.text.trim()
                    ? `${draft.lines[m].text.trim()}${/[a-z]/i.test(draft.lines[m].text) ? '' : ` ${draft.unit}`}`
                    : '—'}
                </td>
                <td>
                  <ActionButton look="quiet" onClick={() => onGo(i + 1)}>
                    {say(unsure.has(m) ? 'check' : 'edit')}
                    <span className="hidden"> {say(`name ${m}`)}</span>
                  </ActionButton>
                </td>
              </tr>
            ))}
          </tbody>
        </Ledger>
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
            {say('ask', { measures: [...unsure].map((m) => say(`name ${m}`)).join(', ') })}
          </div>
        )}
        <Text field="words" label={say('changed')} max={300} draft={draft} change={change} />
        <ActionButton look="take" type="submit" disabled={busy || !some || unsure.size > 0}>
          {say('send')}
        </ActionButton>
        <p className="soft">{say('once')}</p>
      </form>
    </>
  );
}

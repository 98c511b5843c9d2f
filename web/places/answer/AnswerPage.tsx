import { ActionButton, TextLines } from '../../shared/pieces.tsx';
import '../../shared/door.css';
import type { ClientPage, Problem } from '@rocchetto/contract';
import { useCallback, useEffect, useState } from 'react';
import { Contact } from '../../shared/Contact.tsx';

const AWAY = 'Can’t reach the studio. What you wrote is still here. Try again in a moment.';

/** Sends to the studio; answers the page, or the sentence that says why not. */
async function ask(path: string, body: object, away = AWAY): Promise<ClientPage | string> {
  try {
    const res = await fetch(`/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const data = (await res.json()) as ClientPage | Problem;
    return res.ok ? (data as ClientPage) : ((data as Problem).detail ?? away);
  } catch {
    return away;
  }
}

/** The client's own page: her times, yes, or another time please. Nothing of the studio's is behind it. */
export function Component() {
  const key = window.location.hash.slice(1);
  const [page, setPage] = useState<ClientPage | null>(null);
  const [wrong, setWrong] = useState('');
  const [words, setWords] = useState('');
  const [other, setOther] = useState(false);
  const [busy, setBusy] = useState(false);
  const take = useCallback((got: ClientPage | string) => {
    setWrong(typeof got === 'string' ? got : '');
    if (typeof got === 'string') return;
    setPage(got);
    document.title = got.words.title;
    document.documentElement.lang = got.language || 'en';
  }, []);
  useEffect(() => {
    document.title = 'Your appointment';
    void ask('/answer/look', { key }).then(take);
  }, [key, take]);
  const say = async (answer: 'yes' | 'another-time', slotId?: number) => {
    setBusy(true);
    const got = await ask(
      '/answer',
      { key, answer, words: words.trim(), ...(slotId ? { slotId } : {}) },
      page?.words.away,
    );
    take(got);
    if (typeof got !== 'string') setOther(false);
    setBusy(false);
  };
  const open = page?.status === 'offered' || page?.status === 'confirmed';
  return (
    <main className="door">
      <div>
        <h1>{page ? page.studio : 'Your appointment'}</h1>
        {page && <p className="soft">{page.words.yours}</p>}
        {page && <Contact lines={page.contact} />}
      </div>
      <div>
        {wrong && (
          <div className="notice bad" role="alert">
            {wrong}
          </div>
        )}
        {!page && !wrong && <p role="status">Loading …</p>}
        {page && (
          <>
            {page.status === 'offered' && page.answer !== 'another-time' && (
              <p>
                {page.words.which} {page.words.held}
              </p>
            )}
            {!open && <p>{page.status === 'cancelled' ? page.words.cancelled : page.words.over}</p>}
            {page.answer === 'another-time' && open && (
              <div className="notice" role="status">
                {page.words.asked}
              </div>
            )}
            {page.answer === 'yes' && page.status === 'confirmed' && (
              <div className="notice good" role="status">
                {page.words.said}
              </div>
            )}
            {open && (
              <ul className="why">
                {page.times.map((t) => (
                  <li key={t.id}>
                    <strong>
                      {t.day}, {t.from}
                    </strong>{' '}
                    <span className="soft">– {t.to}</span>{' '}
                    {(page.status === 'offered' || page.answer !== 'yes') && (
                      <ActionButton look="take" busy={busy} onClick={() => void say('yes', t.id)}>
                        {page.status === 'offered' ? page.words.choose : page.words.come}
                      </ActionButton>
                    )}
                  </li>
                ))}
              </ul>
            )}
            {page.bring && open && <p>{page.words.bring}</p>}
            {open && !other && (
              <ActionButton look="plain" onClick={() => setOther(true)}>
                {page.words.cant}
              </ActionButton>
            )}
            {other && (
              <form
                onSubmit={(e) => {
                  e.preventDefault();
                  void say('another-time');
                }}
              >
                <label htmlFor="days">{page.words.days}</label>
                <TextLines
                  id="days"
                  rows={3}
                  maxLength={500}
                  value={words}
                  onChange={(e) => setWords(e.target.value)}
                />
                <ActionButton look="take" type="submit" busy={busy}>
                  {page.words.ask}
                </ActionButton>
              </form>
            )}
          </>
        )}
      </div>
    </main>
  );
}

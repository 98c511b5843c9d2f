import { ActionButton, TextField } from '../../shared/pieces.tsx';
import '../../shared/door.css';
import '../../parts/tape/tape.css';
import { tapeLine } from '@rocchetto/core/measures/digital-tape.ts';
import { useEffect, useRef, useState } from 'react';
import { type TapeAir, tapeAir } from '../../parts/tape/tapeAir.ts';

const DEVICE = 'practice-tape';
/** Presses of this browser's practice tape are counted on, so that a reload of this page repeats none. */
const nextNumber = (): number => {
  const n = Number(localStorage.getItem('practice-tape') ?? 0) + 1;
  localStorage.setItem('practice-tape', String(n));
  return n;
};

/** The simulated digital tape: sends what such a tape would, and what one would when things go wrong. */
export function Component() {
  const [mm, setMm] = useState('980');
  const [sent, setSent] = useState<readonly string[]>([]);
  const air = useRef<TapeAir>(undefined);
  const last = useRef('');
  useEffect(() => {
    document.title = 'Practice tape';
    const open = tapeAir(() => undefined);
    air.current = open;
    return () => open.close();
  }, []);
  const send = (line: string) => {
    air.current?.send(line);
    setSent((all) => [line, ...all].slice(0, 12));
  };
  const figure = Math.max(1, Math.min(9999, Math.round(Number(mm) * 2) / 2 || 1));
  const press = (ago = 0) => {
    const line = tapeLine({ device: DEVICE, number: nextNumber(), mm: figure, ago });
    last.current = line;
    return line;
  };
  /** What a tape does that was out of reach, or that stands beside a kettle. */
  const WRONG: readonly (readonly [word: string, act: () => void])[] = [
    ['The last one again', () => last.current && send(last.current)],
    ['One from two minutes ago', () => send(press(120_000))],
    [
      'Two, the second first',
      () => {
        const [a, b] = [press(), press()];
        send(b);
        send(a);
      },
    ],
    ['A garbled line', () => send(press().replace(/;(\d)/, ';9$1'))],
    [
      'Five at once',
      () => {
        for (let i = 0; i < 5; i++) send(press());
      },
    ],
    ['garbage', () => send('\u0000\u001b[2J<b>RT1;;;;</b>')],
  ];
  return (
    <main className="door">
      <div>
        <h1>Practice tape</h1>
        <p>
          A simulated digital tape. In another page of this browser, while measuring, choose “Connect tape”;
          each press here sends the figure there.
        </p>
        <p className="soft">No real tape is needed, and none is imitated.</p>
        <ol className="why" aria-label="Sent, newest first" aria-live="polite">
          {sent.map((l, i) => (
            <li key={`${sent.length - i} ${l}`}>
              <code>{l.replace(/[^ -~]/g, '�')}</code>
            </li>
          ))}
        </ol>
      </div>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          send(press());
        }}
      >
        <label htmlFor="mm">Millimetres on the tape</label>
        <TextField
          bare
          id="mm"
          className="reading"
          type="number"
          min={1}
          max={9999}
          step={0.5}
          value={mm}
          onChange={(e) => setMm(e.target.value)}
        />
        <ActionButton look="take" type="submit">
          Send figure
        </ActionButton>
        <h2 className="apart">Faults to try</h2>
        {WRONG.map(([word, act]) => (
          <ActionButton look="plain" key={word} onClick={act}>
            Send {word}
          </ActionButton>
        ))}
      </form>
    </main>
  );
}

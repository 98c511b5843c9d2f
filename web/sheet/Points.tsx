import type { Figure, PrintedSheet } from '@rocchetto/core';
import { type KeyboardEvent, useRef } from 'react';
import { EaseBar } from './EaseBar.tsx';

interface Props {
  readonly printed: PrintedSheet;
  readonly other: PrintedSheet | null;
  readonly figures: readonly Figure[];
  readonly picked: string;
  readonly onPick: (id: string) => void;
}

const SIGN: Record<string, string> = {
  absent: '∅ absent',
  warned: '⚲ see checks',
  overridden: '✎ by hand',
  estimated: '◌ estimated',
  read: '',
  computed: '',
};

/** The points of the sheet under each other. Up and down go through them; the why of the chosen one is in the margin. */
export function Points({ printed, other, figures, picked, onPick }: Props) {
  const body = useRef<HTMLTableSectionElement>(null);
  const onKey = (e: KeyboardEvent) => {
    const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (!step) return;
    e.preventDefault();
    const next = printed.figures[printed.figures.findIndex((f) => f.id === picked) + step];
    if (!next) return;
    onPick(next.id);
    body.current?.querySelector<HTMLButtonElement>(`[data-figure="${next.id}"]`)?.focus();
  };
  return (
    <div className="scroll">
      <table className="points">
        <thead>
          <tr>
            <th scope="col">
              <span className="hidden">letter</span>
            </th>
            <th scope="col">point</th>
            <th scope="col">body</th>
            {!other && <th scope="col">ease</th>}
            <th scope="col">finished</th>
            <th scope="col">front ¼</th>
            <th scope="col">back ¼</th>
            {!other && <th scope="col">within</th>}
            {other && <th scope="col">in {other.unit === 'in' ? 'inches' : 'centimetres'}</th>}
          </tr>
        </thead>
        <tbody ref={body} onKeyDown={onKey}>
          {printed.figures.map((f, i) => {
            const marks = f.mark.split(', ');
            const o = other?.figures[i];
            return (
              <tr
                key={f.id}
                aria-selected={f.id === picked}
                className={marks.map((m) => `is-${m}`).join(' ')}
                onClick={() => onPick(f.id)}
              >
                <td>
                  <strong>{f.letter}</strong>
                </td>
                <td>
                  <button
                    type="button"
                    className="pick"
                    data-figure={f.id}
                    aria-pressed={f.id === picked}
                    onClick={() => onPick(f.id)}
                  >
                    {f.name}
                  </button>
                  {marks.some((m) => SIGN[m]) && (
                    <span className="mark">
                      {' '}
                      {marks
                        .map((m) => SIGN[m])
                        .filter(Boolean)
                        .join(' · ')}
                    </span>
                  )}
                  {f.note && <div className="soft mark">{f.note}</div>}
                </td>
                <td>{f.body}</td>
                {!other && <td>{figures[i]!.group === 'girth' && <EaseBar figure={figures[i]!} />}</td>}
                <td>
                  <span className={f.front ? 'finished' : 'quarter'}>
                    {f.front ? f.finished : f.marked || f.finished}
                  </span>
                </td>
                <td>{f.front && <span className="quarter">{f.front}</span>}</td>
                <td>{f.back && <span className="quarter">{f.back}</span>}</td>
                {!other && <td className="soft">{f.tolerance}</td>}
                {other && <td>{o?.front ? `${o.front} / ${o.back}` : o?.marked || o?.finished}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

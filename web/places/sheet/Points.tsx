import type { Figure, PrintedFigure, PrintedSheet } from '@rocchetto/core';
import { Fragment, type KeyboardEvent, lazy, memo, Suspense, useCallback, useRef } from 'react';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';

// The figures are there first; what draws their ease follows.
const EaseBar = lazy(async () => ({ default: (await import('./EaseBar.tsx')).EaseBar }));

interface Props {
  readonly printed: PrintedSheet;
  readonly other: PrintedSheet | null;
  readonly figures: readonly Figure[];
  readonly picked: string;
  readonly onPick: (id: string) => void;
}

const SIGN: Record<string, string> = {
  absent: '∅ missing',
  warned: '⚲ see checks',
  overridden: '✎ by hand',
  estimated: '◌ estimated',
  read: '',
  computed: '',
};

/** Whether panels share it, so that the whole is told beside what each is marked. */
const shared = (f: PrintedFigure) => f.front !== '' || f.panels !== '';

interface RowProps {
  readonly printed: PrintedFigure;
  readonly figure: Figure;
  /** the same figure in the other unit, when both are shown; undefined when they are not */
  readonly other: PrintedFigure | undefined;
  readonly selected: boolean;
  readonly onPick: (id: string) => void;
}

/** One point of the sheet. It is drawn again only when what it prints changes, or when it is chosen or left. */
const Row = memo(
  function Row({ printed: f, figure, other, selected, onPick }: RowProps) {
    const marks = f.mark.split(', ');
    return (
      <tr
        aria-selected={selected}
        className={marks.map((m) => `is-${m}`).join(' ')}
        onClick={() => onPick(f.id)}
      >
        <td>
          <strong>{f.letter}</strong>
        </td>
        <td>
          <ActionButton look="pick" data-figure={f.id} aria-pressed={selected} onClick={() => onPick(f.id)}>
            {f.name}
          </ActionButton>
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
          {f.byHand.map((h) => (
            <div key={h} className="soft mark">
              {h}
            </div>
          ))}
        </td>
        <td>{f.body}</td>
        {!other && (
          <td>
            {figure.group === 'girth' && (
              <Suspense>
                <EaseBar figure={figure} />
              </Suspense>
            )}
          </td>
        )}
        <td>
          <span className={shared(f) ? 'finished' : 'quarter'}>
            {shared(f) ? f.finished : f.marked || f.finished}
          </span>
        </td>
        {f.panels ? (
          <td colSpan={2}>
            <span className="quarter">{f.panels}</span>
          </td>
        ) : (
          <>
            <td>{f.front && <span className="quarter">{f.front}</span>}</td>
            <td>{f.back && <span className="quarter">{f.back}</span>}</td>
          </>
        )}
        {!other && <td className="soft">{f.tolerance}</td>}
        {other && (
          <td>
            {other.front ? `${other.front} / ${other.back}` : other.panels || other.marked || other.finished}
          </td>
        )}
      </tr>
    );
  },
  (was, is) =>
    was.selected === is.selected &&
    was.onPick === is.onPick &&
    JSON.stringify([was.printed, was.other]) === JSON.stringify([is.printed, is.other]),
);

/** The points of the sheet under each other. Up and down go through them; the why of the chosen one is in the margin. */
export const Points = memo(function Points({ printed, other, figures, picked, onPick }: Props) {
  const body = useRef<HTMLTableSectionElement>(null);
  const onKey = useCallback(
    (e: KeyboardEvent) => {
      const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
      const buttons = [...(body.current?.querySelectorAll<HTMLButtonElement>('[data-figure]') ?? [])];
      const at = buttons.findIndex((b) => b.ariaPressed === 'true');
      const next = buttons[at + step];
      if (!step || !next) return;
      e.preventDefault();
      onPick(next.dataset.figure!);
      next.focus();
    },
    [onPick],
  );
  return (
    <div className="scroll">
      <Ledger bare className="points">
        <thead>
          <tr>
            <th scope="col">
              <span className="hidden">letter</span>
            </th>
            <th scope="col">point</th>
            <th scope="col">body</th>
            {!other && <th scope="col">ease</th>}
            <th scope="col">finished</th>
            <th scope="col">front quarter</th>
            <th scope="col">back quarter</th>
            {!other && <th scope="col">tolerance</th>}
            {other && <th scope="col">in {other.unit === 'in' ? 'inches' : 'centimetres'}</th>}
          </tr>
        </thead>
        <tbody ref={body} onKeyDown={onKey}>
          {printed.sections.map((section) => (
            <Fragment key={section.id}>
              {section.name && (
                <tr className="section">
                  <th scope="rowgroup" colSpan={8}>
                    {section.name}
                  </th>
                </tr>
              )}
              {printed.figures.map(
                (f, i) =>
                  f.section === section.id && (
                    <Row
                      key={f.id}
                      printed={f}
                      figure={figures[i]!}
                      other={other?.figures[i]}
                      selected={f.id === picked}
                      onPick={onPick}
                    />
                  ),
              )}
            </Fragment>
          ))}
        </tbody>
      </Ledger>
    </div>
  );
});

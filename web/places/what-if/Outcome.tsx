import { formatSentence, printWithUnit, resolveAll, type Sheet, type SheetUnit } from '@rocchetto/core';
import { bodySeen, roomsOf, wishedBy } from '@rocchetto/core/compare/ease-seen.ts';
import { halvesMoved, nothingMoved, type WhatMoved, whatMoved } from '@rocchetto/core/compare/what-moved.ts';
import { useMemo } from 'react';
import { Moved } from '../../parts/drawings/Moved.tsx';
import { PanelsChanged } from '../../parts/drawings/PanelsChanged.tsx';
import { EaseSeen } from '../../parts/ease/EaseSeen.tsx';
import { Ledger } from '../../shared/pieces.tsx';

interface Props {
  readonly before: Sheet;
  readonly after: Sheet;
  /** whether anything is tried that can be */
  readonly trying: boolean;
  readonly unit: SheetUnit;
}

/** What the sheet would be: figures, panels old and new, pieces to cut, notions, warnings, and the ease around the body. */
export function Outcome({ before, after, trying, unit }: Props) {
  const moved = useMemo(() => whatMoved(before, after), [before, after]);
  const panels = useMemo(() => halvesMoved(before, after), [before, after]);
  return (
    <section aria-label="What it would change" className="outcome">
      <p role="status">
        {!trying
          ? 'Nothing is tried yet. Nothing that you try here is kept.'
          : nothingMoved(moved)
            ? 'This changes nothing that is marked, cut or bought.'
            : `${count(moved.figures.length, 'figure')}, ${count(panels.length, 'panel')} and ${count(moved.pieces.length, 'piece')} would change. Nothing is kept.`}
      </p>
      <Moved title="Figures" changes={moved.figures} unit={unit} open />
      {panels.length > 0 && (
        <>
          <h2>Panels, now thin, tried strong</h2>
          <PanelsChanged drawn={panels} unit={unit} />
        </>
      )}
      <Pieces moved={moved} unit={unit} />
      {moved.said.length > 0 && <Said title="It would warn" lines={moved.said} unit={unit} />}
      {moved.gone.length > 0 && <Said title="It would no longer warn" lines={moved.gone} unit={unit} />}
      <Ease before={before} after={after} trying={trying} unit={unit} />
    </section>
  );
}

const count = (n: number, of: string) => `${n === 0 ? 'no' : n} ${of}${n === 1 ? '' : 's'}`;

function Said({ title, lines, unit }: { title: string; lines: readonly string[]; unit: SheetUnit }) {
  return (
    <>
      <h2>{title}</h2>
      <ul className="why">
        {lines.map((s) => (
          <li key={s}>{formatSentence(s, unit)}</li>
        ))}
      </ul>
    </>
  );
}

function Pieces({ moved, unit }: { moved: WhatMoved; unit: SheetUnit }) {
  if (moved.pieces.length + moved.notions.length === 0) return null;
  const length = (l: number | null) => (l === null ? '—' : printWithUnit(l as never, unit));
  const piece = (of: WhatMoved['pieces'][number]['before']) =>
    of ? `${of.count} × ${length(of.width)} by ${length(of.length)}` : 'none';
  const notion = (of: WhatMoved['notions'][number]['before']) =>
    of
      ? [of.length === null ? '' : printWithUnit(of.length, of.bought ?? unit), formatSentence(of.note, unit)]
          .filter(Boolean)
          .join(', ')
      : 'none';
  return (
    <Ledger>
      <caption className="hidden">Pieces to cut and what is laid ready</caption>
      <thead>
        <tr>
          <th scope="col">To cut and lay ready</th>
          <th scope="col">now</th>
          <th scope="col">tried</th>
        </tr>
      </thead>
      <tbody>
        {moved.pieces.map((p, i) => (
          <tr key={i}>
            <td>{p.name}</td>
            <td>{piece(p.before)}</td>
            <td>{piece(p.after)}</td>
          </tr>
        ))}
        {moved.notions.map((n, i) => (
          <tr key={`n${i}`}>
            <td>{n.name}</td>
            <td>{notion(n.before)}</td>
            <td>{notion(n.after)}</td>
          </tr>
        ))}
      </tbody>
    </Ledger>
  );
}

function Ease({ before, after, trying, unit }: Props) {
  const measured = resolveAll(after.input.readings);
  const net = (id: string) => measured.get(id)?.net ?? null;
  return (
    <EaseSeen
      levels={bodySeen(net).levels}
      drawn="the garment"
      rooms={roomsOf(
        after,
        net,
        after.input.brief.cloth,
        wishedBy(after.input.brief, after.input.house.ease),
      )}
      // As it is drafted now, around the body as it is tried: a reading that was wrong shows what it would have done.
      {...(trying ? { was: roomsOf(before, net, before.input.brief.cloth) } : {})}
      unit={unit}
    />
  );
}

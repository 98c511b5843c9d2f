import { type Cm, cm, formatSentence, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { beforeShrinking, type ClothInHand } from '@rocchetto/core/lay/cloth.ts';
import type { Lay } from '@rocchetto/core/lay/lay.ts';
import { biasFrom, leftOver } from '@rocchetto/core/lay/left-over.ts';
import type { LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { layRows } from '@rocchetto/core/lay/rows.ts';
import { WAY_NAME } from '@rocchetto/core/lay/ways.ts';
import { memo } from 'react';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import type { Rung } from './search.worker.ts';
import type { ClothPrice } from './useClothPrice.ts';

const said = (length: number, unit: SheetUnit) =>
  printWithUnit((unit === 'cm' ? Math.round(length * 10) / 10 : length) as Cm, unit);

interface Props {
  readonly lay: Lay;
  readonly pieces: readonly LayPiece[];
  readonly cloth: ClothInHand;
  readonly unit: SheetUnit;
}

/** Every piece by its two distances, in the order of cutting; choosing one chooses it on the table. */
export function Places({
  lay,
  pieces,
  cloth,
  unit,
  chosen,
  wrong,
  onChoose,
}: Props & {
  readonly chosen: string | null;
  readonly wrong: ReadonlyMap<string, readonly string[]>;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <Ledger className="places">
      <caption className="soft">Where each piece lies, from the cut end on</caption>
      <thead>
        <tr>
          <th scope="col">No</th>
          <th scope="col">Piece</th>
          <th scope="col">From the cut end</th>
          <th scope="col">Across</th>
          <th scope="col">Lies</th>
        </tr>
      </thead>
      <tbody>
        {layRows(lay, pieces, cloth).map((r) => (
          <tr key={r.id} data-chosen={chosen === r.id || undefined}>
            <td>{r.number}</td>
            <td>
              <ActionButton look="quiet" aria-pressed={chosen === r.id} onClick={() => onChoose(r.id)}>
                {r.name}
              </ActionButton>
              {wrong.has(r.id) && (
                <div className="wrong">
                  {wrong
                    .get(r.id)!
                    .map((w) => formatSentence(w, unit))
                    .join('; ')}
                </div>
              )}
            </td>
            <td>{said(r.fromEnd, unit)}</td>
            <td>
              {said(r.fromSide, unit)} from the {r.side}
            </td>
            <td>{r.how}</td>
          </tr>
        ))}
      </tbody>
    </Ledger>
  );
}

/** What the lay leaves: the largest pieces of cloth, and bias binding from them. */
export const LeftOver = memo(function LeftOver({ lay, pieces, cloth, unit }: Props) {
  const free = leftOver(lay, pieces, cloth);
  const binding = unit === 'cm' ? 4 : 1.5 * 2.54;
  if (free.length === 0) return <p className="soft">Nothing that is wide enough to use is left over.</p>;
  return (
    <ul className="why">
      {free.map((f) => {
        const bias = Math.floor(biasFrom(f, binding) / 10) * 10;
        return (
          <li key={`${f.x} ${f.y}`}>
            <strong>
              {said(f.length, unit)} by {said(f.width, unit)}
            </strong>
            {f.double ? ', two layers' : ''}, {said(f.y, unit)} from the cut end
            {bias > 0 &&
              `: about ${said(bias, unit)} of bias binding, ${said(binding, unit)} wide${f.double ? ', from each' : ''}`}
            .
          </li>
        );
      })}
    </ul>
  );
});

/** What else could be done, the shortest first; each with its lay behind it. */
export function Ladder({
  rungs,
  now,
  cloth,
  unit,
  price,
  onTake,
}: {
  readonly rungs: readonly Rung[];
  readonly now: number | null;
  readonly cloth: ClothInHand;
  readonly unit: SheetUnit;
  /** of cloth as wide as this: other widths have other prices */
  readonly price: ClothPrice | null;
  readonly onTake: (rung: Rung) => void;
}) {
  const by = (rung: Rung) =>
    now === null
      ? ''
      : Math.abs(now - rung.lay.length) < 0.05
        ? ', as long as now'
        : rung.lay.length < now
          ? `, ${said(now - rung.lay.length, unit)} shorter`
          : `, ${said(rung.lay.length - now, unit)} longer`;
  const saves = (rung: Rung) => {
    if (!price || now === null || rung.width !== null || rung.without) return '';
    const cost = (length: number) => Math.round(price.cost(beforeShrinking(length, cloth)) * 100);
    const less = cost(now) - cost(rung.lay.length);
    return less === 0 ? '' : `, ${price.print(Math.abs(less) / 100)} ${less > 0 ? 'less' : 'more'}`;
  };
  return (
    <ul className="why rungs">
      {[...rungs]
        .sort((a, b) => a.lay.length - b.lay.length)
        .map((r) => (
          <li key={`${r.way} ${r.width} ${r.without}`}>
            <strong>{said(r.lay.length, unit)}</strong>
            {by(r)}
            {saves(r)}:{' '}
            {r.without
              ? 'facings cut from another cloth'
              : r.width !== null
                ? `bought ${said(r.width, unit)} wide instead of ${said(cm(cloth.width), unit)}`
                : WAY_NAME[r.way]}
            {!r.without && (
              <>
                {' '}
                <ActionButton look="quiet" onClick={() => onTake(r)}>
                  Lay it so
                </ActionButton>
              </>
            )}
          </li>
        ))}
    </ul>
  );
}

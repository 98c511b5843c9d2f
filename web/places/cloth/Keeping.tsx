import type { ClothView } from '@rocchetto/contract/cloth-lay.ts';
import { Input } from 'antd';
import { useId, useState } from 'react';
import { layPaper, useKeepLayMutation } from '../../api/cloth.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { type Hand, isSame, remembered, type TableOf } from './hand.ts';

type Cloth = ClothView['cloths'][number];

/** Keeps the lay under a name; what is kept goes to the sheet's materials and onto paper. */
export function Keeping({
  at,
  cloth,
  hand,
  inTheWay,
  onShow,
}: {
  at: TableOf;
  cloth: Cloth;
  hand: Hand;
  inTheWay: boolean;
  /** the kept lay onto the table, which can be undone */
  onShow: (kept: NonNullable<Cloth['kept']>) => void;
}) {
  const may = useMay('sheet.write');
  const { short } = useDays();
  const [keep, { error, isLoading }] = useKeepLayMutation();
  const field = useId();
  const [name, setName] = useState(cloth.kept?.name ?? '');
  const isKept =
    cloth.kept !== null &&
    !cloth.kept.stale &&
    isSame(cloth.kept.lay, hand.lay) &&
    isSame(cloth.kept.cloth, hand.cloth);
  const send = async () => {
    const wanted = name.trim() || `lay of ${cloth.name}`;
    const result = await keep({
      orderId: at.order,
      of: cloth.of,
      name: wanted,
      panels: cloth.panels,
      over: cloth.kept?.id ?? 0,
      cloth: hand.cloth,
      lay: hand.lay! as never,
    });
    if ('data' in result) remembered(at, null);
  };
  return (
    <div className="keeping noprint">
      {may && !isKept && (
        <form
          className="row"
          onSubmit={(e) => {
            e.preventDefault();
            void send();
          }}
        >
          <div>
            <label htmlFor={field}>Name of this lay</label>
            <Input
              id={field}
              value={name}
              placeholder={`lay of ${cloth.name}`}
              maxLength={200}
              onChange={(e) => setName(e.target.value)}
            />
          </div>
          <ActionButton look="take" type="submit" disabled={isLoading || inTheWay}>
            Keep lay
          </ActionButton>
          {inTheWay && (
            <span className="soft">It can be kept once every piece lies where it may be cut.</span>
          )}
        </form>
      )}
      {cloth.kept && !cloth.kept.stale && (
        <p>
          {isKept ? 'Kept' : 'Kept before'}: “{cloth.kept.name}”, revision {cloth.kept.revision},{' '}
          {cloth.kept.by}, {short(cloth.kept.at)}.{' '}
          {!isKept && (
            <ActionButton look="quiet" onClick={() => onShow(cloth.kept!)}>
              Show the kept lay
            </ActionButton>
          )}{' '}
          <a href={layPaper(at.order, cloth.of)} target="_blank" rel="noreferrer">
            Print the kept lay (PDF)
          </a>
        </p>
      )}
      <Problem error={error} />
    </div>
  );
}

import type { OrderFull } from '@rocchetto/contract';
import { sheetOfView } from '@rocchetto/contract/to-core.ts';
import { useState } from 'react';
import { useLazySheetQuery } from '../../api/sheets.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

interface Over {
  /** it alone can be a garment worn over another */
  readonly whole: boolean;
  /** the field that takes a finished girth of what is worn beneath, by the figure that tells it */
  readonly fields: readonly (readonly [field: string, figure: string])[];
}
const TAKEN: Readonly<Record<string, Over>> = {
  'long-bodice': {
    whole: true,
    fields: [
      ['overBust', 'bust'],
      ['overWaist', 'waist'],
      ['overHip', 'hip'],
    ],
  },
  sleeve: { whole: false, fields: [['over', 'sleeve.upper-arm']] },
};
const TELLS: Readonly<Record<string, string>> = {
  overBust: 'bust',
  overWaist: 'waist',
  overHip: 'hip',
  over: 'upper arm',
};

/** What a garment worn over others of its order takes from their sheets: lengths as those print, to stand in the brief. */
export function OverGarment({
  order,
  parts,
  unit,
  onTake,
}: {
  order: OrderFull;
  parts: readonly { readonly part: string }[];
  unit: 'cm' | 'in';
  onTake: (index: number, field: string, text: string) => void;
}) {
  const [ask, { error, isFetching }] = useLazySheetQuery();
  const [said, setSaid] = useState('');
  const others = order.garments.filter((g) => g.id !== order.id && g.parts.length > 0);
  if (others.length === 0 || !parts.some((p) => TAKEN[p.part]?.whole)) return null;
  const take = async (id: number, what: string) => {
    setSaid('');
    const { data } = await ask({ id, revision: null });
    if (!data) return;
    const figures = sheetOfView(data).printed[unit].figures;
    const taken = parts.flatMap((p, index) =>
      (TAKEN[p.part]?.fields ?? []).flatMap(([field, figure]) => {
        const text = figures.find((f) => f.id === figure)?.finished ?? '';
        if (!/\d/.test(text)) return [];
        onTake(index, field, text);
        return [`${TELLS[field]} ${text}`];
      }),
    );
    setSaid(
      taken.length > 0
        ? `Copied from the sheet of ${what}: ${taken.join(', ')}.`
        : `The sheet of ${what} has no finished girths yet. Measure first, or type the girths here.`,
    );
  };
  return (
    <div className="full">
      <div className="row">
        <span>Worn over</span>
        {others.map((g) => (
          <ActionButton look="plain" key={g.id} busy={isFetching} onClick={() => void take(g.id, g.what)}>
            {g.number} {g.what}: copy its finished girths
          </ActionButton>
        ))}
      </div>
      <Problem error={error} />
      {said && <Notice>{said}</Notice>}
    </div>
  );
}

import type { FlatView } from '@rocchetto/contract';
import { type SheetUnit, withUnit } from '@rocchetto/core';
import { useState } from 'react';
import { useSetFlatToleranceMutation } from '../../api/flat.ts';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

/** What a length may differ by on this piece; empty is the studio's own. */
export function Tolerance({ orderId, lay, unit }: { orderId: number; lay: FlatView; unit: SheetUnit }) {
  const [text, write] = useState(lay.tolerance ?? '');
  const [set, { error, isLoading }] = useSetFlatToleranceMutation();
  const wanted = withUnit(text, unit);
  return (
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault();
        void set({ orderId, id: lay.id, tolerance: wanted });
      }}
    >
      <label htmlFor="flat-tolerance">Tolerance on lengths, half of it on halves</label>
      <LengthInput
        id="flat-tolerance"
        unit={unit}
        autoComplete="off"
        placeholder="the studio’s"
        value={text}
        onChange={(e) => write(e.target.value)}
      />
      <ActionButton look="quiet" type="submit" disabled={isLoading || wanted === lay.tolerance}>
        Set tolerance
      </ActionButton>
      <Problem error={error} />
    </form>
  );
}

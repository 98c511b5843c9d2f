import type { OrderFull } from '@rocchetto/contract';
import { intoBrief, isOfBrief, type WhatIf } from '@rocchetto/contract/what-if.ts';
import type { SheetUnit } from '@rocchetto/core';
import { isCut } from '@rocchetto/core/thread/stage.ts';

import { useId, useState } from 'react';
import { useChangeBriefMutation, useOrderQuery } from '../../api/orders.ts';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { problemOf } from '../../shared/problem-of.ts';

interface Props {
  readonly order: OrderFull;
  readonly tried: readonly WhatIf[];
  readonly refused: Readonly<Record<string, string>>;
  readonly unit: SheetUnit;
  /** the sheet is agreed: it keeps what was agreed */
  readonly agreed: boolean;
  /** what was written is no longer tried */
  readonly onWritten: (left: readonly WhatIf[]) => void;
}
/** What is tried of fit, cloth and ease, written into the brief with one press. */
export function IntoBrief({ order, tried, refused, unit, agreed, onWritten }: Props) {
  const why = useId();
  const [reason, setReason] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const [written, setWritten] = useState(false);
  const [save, saving] = useChangeBriefMutation();
  const { refetch } = useOrderQuery(order.id);
  const may = useMay('sheet.write') && order.brief && !isCut(order.stage) && order.stage !== 'cancelled';
  const mine = tried.filter(isOfBrief);
  if (!may || (mine.length === 0 && !written)) return null;
  if (mine.length === 0)
    return (
      <Notice>
        Written into the brief.{agreed && ' The agreed sheet stays as it is until a new revision is made.'}
      </Notice>
    );
  const eased = mine.some((t) => t.what === 'ease');
  const meanwhile = problemOf(saving.error).status === 409;
  const write = async () => {
    const brief = intoBrief(order.brief!, mine, unit, reason);
    setWrong(typeof brief === 'string' ? brief : null);
    if (typeof brief === 'string') return;
    const done = await save({ id: order.id, version: order.version, brief });
    if ('data' in done && done.data) {
      setWritten(true);
      onWritten(tried.filter((t) => !isOfBrief(t)));
    } else if (problemOf(done.error).status === 409) await refetch();
  };
  return (
    <section aria-label="Keep what is tried" className="into-brief">
      {eased && (
        <div className="row">
          <label htmlFor={why}>Why this order has ease of its own</label>
          <TextField
            id={why}
            maxLength={300}
            value={reason}
            placeholder={order.brief?.own?.why || undefined}
            onChange={(e) => setReason(e.target.value)}
          />
        </div>
      )}
      <div className="row">
        <ActionButton
          look="take"
          busy={saving.isLoading}
          disabled={Object.keys(refused).length > 0}
          onClick={() => void write()}
        >
          Write {mine.length === 1 ? 'it' : 'them'} into the brief
        </ActionButton>
        <span className="soft">
          Fit, cloth and ease. Readings are taken at the tape; rounding is the studio’s.
        </span>
      </div>
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      {meanwhile ? (
        <Notice>
          Someone else saved this order. Nothing was written; the changes are still here. Write them into the
          brief as it is now by pressing again.
        </Notice>
      ) : (
        <Problem error={saving.error} />
      )}
    </section>
  );
}

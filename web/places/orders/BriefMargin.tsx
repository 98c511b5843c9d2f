import type { OrderFull, OwnBlock } from '@rocchetto/contract';
import { measure, type SheetUnit } from '@rocchetto/core';
import type { ComponentProps } from 'react';
import { Link } from 'react-router';
import { FitHistory } from '../../parts/design/FitHistory.tsx';
import { Likes } from '../../parts/design/Likes.tsx';
import { OpenQuestions } from '../../parts/design/OpenQuestions.tsx';
import { OwnBlocks } from '../../parts/garment/OwnBlocks.tsx';

interface Props {
  readonly order: OrderFull;
  readonly unit: SheetUnit;
  /** what will be measured for the parts as they are now, in the order of the tape */
  readonly measured: readonly { readonly id: string; readonly needed: boolean }[];
  /** begins from a block of the client’s own; none where the brief may not be changed */
  readonly onBegin: ((b: OwnBlock) => void) | undefined;
  readonly onLike: ((words: string) => void) | undefined;
  readonly made: ComponentProps<typeof OwnBlocks>['made'];
}

/** Beside the brief: why it comes first, what will be measured, what the client has and likes. */
export function BriefMargin({ order, unit, measured, onBegin, onLike, made }: Props) {
  return (
    <>
      <section>
        <h2>Why the brief comes first</h2>
        <p className="soft">
          The style decides which measurements are needed, so the client stands for no more than those.
        </p>
      </section>
      {measured.length > 0 && (
        <section>
          <h2>What will be measured</h2>
          <p className="soft">
            {measured
              .filter((m) => m.needed)
              .map((m) => measure(m.id).name)
              .join('; ')}
            . Optional:{' '}
            {measured
              .filter((m) => !m.needed)
              .map((m) => measure(m.id).name)
              .join('; ')}
            .
          </p>
        </section>
      )}
      <OwnBlocks clientId={order.clientId} clientName={order.clientName} onBegin={onBegin} made={made} />
      <Likes orderId={order.id} clientName={order.clientName} onTake={onLike} />
      <FitHistory orderId={order.id} unit={unit} figures={null} />
      <OpenQuestions orderId={order.id} />
      <Link to={`/orders/${order.id}`}>Back to the order</Link>
    </>
  );
}

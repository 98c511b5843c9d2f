import type { AlterationView, OrderAlterations } from '@rocchetto/contract';
import { handUnit } from '@rocchetto/contract/alterations.ts';
import type { SheetUnit } from '@rocchetto/core';
import { type Cause, partOf, type Sign, signOf, signsWith } from '@rocchetto/core/alter/index.ts';
import { useMemo, useState } from 'react';
import { useChangeAskedMutation } from '../../api/alterations.ts';
import { useHouseBenchQuery } from '../../api/house.ts';
import { writes } from '../../parts/outbox/queue.ts';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { AskForm } from './AskForm.tsx';
import { type Draft, EMPTY } from './draft.ts';
import { SignChoice } from './SignChoice.tsx';
import { useAsked } from './useAsked.ts';
import { type Garment, useOffer } from './useTrial.ts';
import { WhatIf } from './WhatIf.tsx';

interface Props {
  readonly orderId: number;
  readonly appointmentId: number | null;
  readonly unit: SheetUnit;
  readonly garment: Garment | null;
  readonly came: OrderAlterations['broughtIn'];
  readonly alterations: readonly AlterationView[];
  readonly draft: Draft;
  readonly onDraft: (d: Draft) => void;
  readonly editing: AlterationView | null;
  /** what is written was kept, or left */
  readonly onLeave: () => void;
}

/** One change while it is asked for: begun with a sign or with what is done, tried on the garment as it is by now, kept. */
export function Asking(props: Props) {
  const { orderId, appointmentId, unit, garment, came, draft, editing, onDraft, onLeave } = props;
  const { data: house } = useHouseBenchQuery();
  const mayRead = useMay('session.read');
  const [change, changing] = useChangeAskedMutation();
  const [wrong, setWrong] = useState('');
  const [sending, setSending] = useState(false);
  const { asked, tried, said, undoes, waiting } = useAsked({ ...props, editing: editing?.id ?? null });
  const offer = useOffer(garment, came);
  const signs = useMemo(() => signsWith(house?.bench.signs ?? {}), [house]);
  const parts = useMemo(() => [...new Set((garment?.sheet.panels ?? []).map(partOf))], [garment]);
  const legs =
    came?.kind === 'trousers' ||
    (garment?.sheet.panels ?? []).some((p) => p.edges.some((e) => e.id === 'inseam'));
  const set = (more: Partial<Draft>) => {
    setWrong('');
    onDraft({ ...draft, ...more });
  };
  const clear = () => {
    setWrong('');
    changing.reset();
    onLeave();
  };
  const keep = async () => {
    if (!asked) return setWrong('Choose an alteration first.');
    if (!asked.success) return setWrong(asked.error.issues[0]!.message);
    if (editing) {
      const done = await change({ id: editing.id, orderId, version: editing.version, asked: asked.data });
      if ('data' in done) clear();
      return;
    }
    const source = mayRead ? 'fitting' : 'desk';
    setSending(true);
    const first = await writes().keep({
      orderId,
      is: 'ask',
      path: `/orders/${orderId}/alterations`,
      body: { asked: asked.data, source, appointmentId },
      says: '',
    });
    setSending(false);
    if (first.is === 'refused') setWrong(first.sentence);
    else clear();
  };
  const sign = draft.sign === null ? null : (signOf(house?.bench.signs ?? {}, draft.sign) ?? null);
  const prepare = (s: Sign, c: Cause) =>
    set({ sign: s.id, kind: c.kind ?? '', direction: c.direction, face: c.face ?? '' });
  return (
    <form
      className="asking"
      aria-label={editing ? 'Edit alteration' : 'New alteration'}
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <h2>{editing ? 'Edit alteration' : 'New alteration'}</h2>
      <details open={sign !== null || undefined}>
        <summary>Start from a fitting sign</summary>
        <SignChoice
          signs={signs}
          parts={new Set(parts)}
          chosen={sign}
          onChoose={(s) => set({ sign: s?.id ?? null })}
          onTry={prepare}
        />
      </details>
      <AskForm
        draft={draft}
        unit={unit}
        parts={parts.filter((p) => p !== '')}
        offer={offer}
        said={said}
        legs={legs}
        came={came !== null}
        lined={came?.lined ?? (garment?.sheet.panels ?? []).some((p) => p.layer === 'lining')}
        set={set}
      />
      {draft.mark && (
        <p className="soft">
          Marked on the drawing, {draft.mark.view}.{' '}
          <ActionButton look="quiet" onClick={() => set({ mark: null })}>
            Remove mark
          </ActionButton>
        </p>
      )}
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      <Problem error={changing.error} />
      <div className="row acts">
        <ActionButton look="take" type="submit" disabled={sending || changing.isLoading}>
          {editing ? 'Save change' : 'Add change'}
        </ActionButton>
        {(editing || draft !== EMPTY) && (
          <ActionButton look="quiet" onClick={clear}>
            Cancel
          </ActionButton>
        )}
      </div>
      <WhatIf
        tried={tried}
        unit={unit}
        hand={(asked?.success && handUnit(asked.data)) || unit}
        undoes={undoes}
        waiting={waiting}
      />
    </form>
  );
}

import type { AlterationView, StepWire } from '@rocchetto/contract';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { STATE_WORD } from '@rocchetto/core/alter/index.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useMay } from '../../shared/me.ts';
import { ActionButton, TextField, Tick } from '../../shared/pieces.tsx';

interface Props {
  readonly alteration: AlterationView;
  readonly unit: SheetUnit;
  /** it is among those that are agreed together */
  readonly chosen: boolean;
  readonly price: string;
  /** the price that is written is no sum */
  readonly unread: boolean;
  readonly editing: boolean;
  readonly onChoose: (yes: boolean) => void;
  readonly onPrice: (text: string) => void;
  readonly onEdit: () => void;
  /** true once the step is kept */
  readonly onStep: (step: StepWire, says: string) => Promise<boolean>;
}
type Word = keyof typeof WORD;

/** One change as it is read back: its sentence, its price, and what else may be said of it. */
export function Decision(props: Props) {
  const { alteration: a, unit, chosen, price, unread, onChoose, onPrice, onStep } = props;
  const mayAsk = useMay('alter.ask');
  const [why, setWhy] = useState<Word | null>(null);
  const sentence = formatSentence(a.sentence, unit);
  return (
    <li className={a.status === 'declined' || a.status === 'withdrawn' ? 'gone' : ''}>
      <div className="row">
        {a.status === 'asked' && mayAsk && (
          <Tick
            aria-label={`Agreed: ${sentence}`}
            checked={chosen}
            onChange={(e) => onChoose(e.target.checked)}
          />
        )}
        <span className="grow">
          <Link to={`/orders/${a.orderId}/alterations/${a.id}`}>{keepTogether(sentence)}</Link>
          {a.asked.words && <span className="soft"> “{a.asked.words}”</span>}
        </span>
        {a.status === 'asked' && mayAsk && chosen && (
          <TextField
            className="short"
            inputMode="decimal"
            placeholder="price"
            aria-label={`Price: ${sentence}`}
            aria-invalid={unread}
            value={price}
            onChange={(e) => onPrice(e.target.value)}
          />
        )}
        <span className={a.status === 'checked' || a.status === 'accepted' ? 'agreed' : 'soft'}>
          {STATE_WORD[a.status]}
          {a.status === 'agreed' && a.agreedName && ` by ${a.agreedName}`}
        </span>
      </div>
      {mayAsk && (
        <Ways
          alteration={a}
          sentence={sentence}
          editing={props.editing}
          onEdit={props.onEdit}
          onWhy={setWhy}
        />
      )}
      {why !== null && (
        <Why
          key={why}
          id={`alter-why-${a.id}`}
          word={why}
          onSay={async (reason) => {
            if (await onStep({ step: why, reason }, WORD[why])) setWhy(null);
          }}
          onLeave={() => setWhy(null)}
        />
      )}
    </li>
  );
}

interface WaysProps extends Pick<Props, 'alteration' | 'editing' | 'onEdit'> {
  readonly sentence: string;
  readonly onWhy: (w: Word) => void;
}
/** What else may be said of a change where it stands now. */
function Ways({ alteration: a, sentence, editing, onEdit, onWhy }: WaysProps) {
  const way = (word: string, act: () => void, disabled = false) => (
    <ActionButton look="quiet" disabled={disabled} aria-label={`${word}: ${sentence}`} onClick={act}>
      {word}
    </ActionButton>
  );
  return (
    <div className="row">
      {a.status === 'asked' && (
        <>
          {way('Edit', onEdit, editing)}
          {way('Decline', () => onWhy('decline'))}
        </>
      )}
      {(a.status === 'agreed' || a.status === 'in-work') && way('Withdraw', () => onWhy('withdraw'))}
      {(a.status === 'declined' || a.status === 'withdrawn') &&
        way('Request again', () => onWhy('ask-again'))}
    </div>
  );
}

interface WhyProps {
  readonly id: string;
  readonly word: Word;
  readonly onSay: (reason: string) => Promise<void>;
  readonly onLeave: () => void;
}
/** The reason that a step needs. */
function Why({ id, word, onSay, onLeave }: WhyProps) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="slip row"
      aria-label="Reason"
      onSubmit={(e) => {
        e.preventDefault();
        void onSay(reason);
      }}
    >
      <label htmlFor={id}>{word === 'ask-again' ? 'What changed' : 'Reason'}</label>
      <TextField id={id} className="grow" value={reason} onChange={(e) => setReason(e.target.value)} />
      <ActionButton look="plain" type="submit">
        {word === 'decline' ? 'Decline' : word === 'withdraw' ? 'Withdraw' : 'Request again'}
      </ActionButton>
      <ActionButton look="quiet" onClick={onLeave}>
        Cancel
      </ActionButton>
    </form>
  );
}

const WORD = { decline: 'Declined', withdraw: 'Withdrawn', 'ask-again': 'Requested again' } as const;

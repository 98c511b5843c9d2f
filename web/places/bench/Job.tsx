import type { AlterationView, BoxView, StepWire } from '@rocchetto/contract';
import { handUnit } from '@rocchetto/contract/alterations.ts';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import {
  ALTERATION_STEPS,
  boxSentence,
  isOpen,
  STATE_WORD,
  UNDONE_BY_ONE_KEY,
} from '@rocchetto/core/alter/index.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { useState } from 'react';
import { useUndoStepMutation } from '../../api/alterations.ts';
import { useWaiting, useWaitingHere } from '../../parts/outbox/queue.ts';
import { useWrite, WaitingHere, Wrong } from '../../parts/outbox/useWrite.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useMay, useMe } from '../../shared/me.ts';
import { ActionButton, TextField, Tick } from '../../shared/pieces.tsx';
import { offerUndo } from '../../shared/undo.ts';
import { CheckForm } from './CheckForm.tsx';
import { useTicks } from './useTicks.ts';

interface Props {
  readonly alteration: AlterationView;
  readonly unit: SheetUnit;
}

/** The alteration as it stands once what waits on this device is sent. */
function useAsWaiting(a: AlterationView): AlterationView {
  const me = useMe();
  const path = `/alterations/${a.id}/steps`;
  const last = useWaiting(a.orderId).findLast((w) => w.path === path && w.refused === '' && !w.first);
  const step = (last?.body as { step?: StepWire } | undefined)?.step?.step;
  const status = step && ALTERATION_STEPS[step].to;
  return status ? { ...a, status, doneById: status === 'done' ? me.id : a.doneById } : a;
}

/** The work itself: its pieces, each a box; begun, laid down, done, and checked by another. */
export function Job({ alteration: told, unit }: Props) {
  const a = useAsWaiting(told);
  const hand = handUnit(a.asked) ?? unit;
  const me = useMe();
  const may = useMay('alter.work');
  const { write, wrong, busy } = useWrite();
  const { boxes, tick, wrong: notTicked } = useTicks(told);
  const [striking, setStriking] = useState<{ box: string; reason: string } | null>(null);
  const [undo] = useUndoStepMutation();
  const here = useWaitingHere(a.orderId);
  const take = async (s: StepWire) => {
    const { word } = ALTERATION_STEPS[s.step];
    const done = await write({
      orderId: a.orderId,
      is: 'step',
      path: `/alterations/${a.id}/steps`,
      body: { version: told.version, step: s },
      says: `${a.sentence} Now ${word}.`,
      onTop: true,
    });
    const version = done.is === 'kept' ? done.says.version : undefined;
    if (version !== undefined && UNDONE_BY_ONE_KEY.includes(s.step))
      offerUndo({
        says: `${formatSentence(a.sentence, unit)} Now ${word}.`,
        undo: () => undo({ id: a.id, orderId: a.orderId, version }),
      });
    return done;
  };
  const ticked = (box: BoxView, to: 'done' | 'open') =>
    `${boxSentence(box)}: ${to === 'done' ? 'ticked' : 'no longer ticked'}.`;
  const tickBox = async (box: BoxView, to: 'done' | 'open') => {
    const back = to === 'done' ? 'open' : 'done';
    if (await tick(box, to, ticked(box, to)))
      offerUndo({
        says: formatSentence(ticked(box, to), hand),
        undo: async () => ((await tick(box, back, ticked(box, back))) ? {} : { error: 'refused' }),
      });
  };
  const ticks = may && (a.status === 'agreed' || a.status === 'in-work');
  const left = boxes.filter((b) => b.doneAt === null && b.struck === null).length;
  const mine = a.workingId === me.id;
  return (
    <>
      <ul className="boxes" aria-label="Pieces">
        {boxes.map((b) => (
          <li key={b.id} className={b.layer}>
            <label className={b.struck ? 'struck' : ''}>
              <Tick
                checked={b.doneAt !== null}
                disabled={!ticks || b.struck !== null}
                onChange={(e) => void tickBox(b, e.target.checked ? 'done' : 'open')}
              />{' '}
              {keepTogether(formatSentence(boxSentence(b), hand))}
              {b.layer !== 'outer' && <span className="layer"> {b.layer}</span>}
            </label>
            {b.struck && <span className="pending"> crossed out: {b.struck}</span>}
            {ticks &&
              b.doneAt === null &&
              (b.struck ? (
                <ActionButton
                  look="quiet"
                  className="noprint"
                  aria-label={`Undo cross out: ${formatSentence(boxSentence(b), hand)}`}
                  onClick={() => void tick(b, 'open', ticked(b, 'open'))}
                >
                  Undo cross out
                </ActionButton>
              ) : (
                <ActionButton
                  look="quiet"
                  className="noprint"
                  aria-label={`Cross out: ${formatSentence(boxSentence(b), hand)}`}
                  onClick={() => setStriking({ box: b.id, reason: '' })}
                >
                  Cross out
                </ActionButton>
              ))}
            {striking?.box === b.id && (
              <form
                className="slip row"
                aria-label="Reason for crossing out"
                onSubmit={async (e) => {
                  e.preventDefault();
                  const says = `${boxSentence(b)}: crossed out, ${striking.reason}.`;
                  if (await tick(b, 'struck', says, striking.reason)) setStriking(null);
                }}
              >
                <label htmlFor="strike-why">Reason for crossing out this piece</label>
                <TextField
                  id="strike-why"
                  className="grow"
                  value={striking.reason}
                  onChange={(e) => setStriking({ ...striking, reason: e.target.value })}
                />
                <ActionButton look="plain" type="submit" disabled={striking.reason.trim() === ''}>
                  Cross out
                </ActionButton>
                <ActionButton look="quiet" onClick={() => setStriking(null)}>
                  Cancel
                </ActionButton>
              </form>
            )}
          </li>
        ))}
      </ul>
      <Wrong says={wrong || notTicked} />
      <WaitingHere written={here} unit={hand} />
      {isOpen(a.status) && (
        <p className="soft">
          {STATE_WORD[a.status]}
          {a.staffName && `, with ${a.staffName}`}; {hoursWord(a.minutes)} planned
          {a.worked > 0 && `, ${hoursWord(a.worked)} worked`}
          {a.workingSince && (mine ? ', you are working on it' : ', someone is working on it')}.
        </p>
      )}
      {may && (
        <div className="row acts noprint">
          {a.status === 'agreed' && (
            <ActionButton look="take" busy={busy} onClick={() => void take({ step: 'start' })}>
              Start job
            </ActionButton>
          )}
          {a.status === 'in-work' && (
            <ActionButton look="plain" busy={busy} onClick={() => void take({ step: 'pause', note: '' })}>
              Pause
            </ActionButton>
          )}
          {(a.status === 'in-work' || a.status === 'agreed') && (
            <ActionButton
              look={a.status === 'in-work' ? 'take' : 'plain'}
              disabled={busy || left > 0}
              onClick={() => void take({ step: 'finish', note: '' })}
            >
              {left === 0
                ? 'Mark done'
                : `Mark done: ${left} ${left === 1 ? 'piece' : 'pieces'} to tick first`}
            </ActionButton>
          )}
        </div>
      )}
      {a.status === 'done' && may && <CheckForm alteration={a} unit={unit} take={take} busy={busy} />}
    </>
  );
}

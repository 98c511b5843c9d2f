import { ActionButton } from '../../shared/pieces.tsx';
import '../../parts/tape/tape.css';
import { measure as measureOf } from '@rocchetto/core';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';

import type { ReactNode } from 'react';
import { TapeFigure } from '../../parts/tape/TapeFigure.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import type { Ground } from './ground.ts';
import { Ribbon } from './Ribbon.tsx';
import { TakenReadings } from './Taken.tsx';
import { TapeField } from './TapeField.tsx';
import { TapeKeys } from './TapeKeys.tsx';
import { TapingMargin } from './TapingMargin.tsx';
import type { Session } from './useSession.ts';
import { type Taping as TapingState, useTaping } from './useTaping.ts';

interface Props {
  readonly ground: Ground;
  readonly session: Session;
  readonly thread?: ReactNode;
  readonly onAnew: () => void;
}

/** At the tape: the figure, the field, what was taken, and the list with where the hand is. */
export function Taping({ ground, session, thread, onAnew }: Props) {
  const taping = useTaping(ground, session);
  const { item, unit } = taping;
  const { measure } = item.measured;
  return (
    <Place
      title="Measure"
      thread={thread}
      margin={<TapingMargin ground={ground} session={session} taping={taping} onAnew={onAnew} />}
    >
      <div className="taping">
        <TapeFigure measure={item.id} name={item.name} ways={taping.ways} />
        <div className="at-tape">
          <h1>
            {item.name}
            {measure.twice && <span title="measured twice"> ★</span>}
          </h1>
          <p className="soft how">
            {guideOf(item.id).how} {taping.says && <strong>{taping.says}</strong>}
          </p>
          {taping.correcting && (
            <p role="status">
              The next figure replaces {taping.correcting.text}.{' '}
              <ActionButton look="quiet" onClick={() => taping.correct(null)}>
                Add one more reading instead
              </ActionButton>
            </p>
          )}
          <TapeField
            context={{
              measure,
              others: taping.others,
              last: taping.last,
              expected: taping.expected,
              halves: taping.halves,
            }}
            unit={unit}
            setUnit={taping.setUnit}
            tape={measure.kind === 'girth' ? taping.tape : 'snug'}
            setTape={taping.setTape}
            onTake={(t) => void taping.take(t)}
            onNext={taping.forward}
            onBack={taping.back}
            onAgain={taping.again}
            onState={(s) => void taping.mark(s)}
            heard={taping.digital.now}
            onBusy={taping.digital.offer}
          />
          <TakenReadings
            measured={item.measured}
            unit={unit}
            onStrike={taping.strike}
            onCorrect={(r) => {
              taping.correct(r);
              document.getElementById('reading')?.focus();
            }}
          />
          {taping.lost && <Notice tone="bad">{taping.lost}</Notice>}
          {taping.done && taping.misfit && (
            <Notice>
              <p>{taping.misfit.sentence}</p>
              <ActionButton look="plain" onClick={() => taping.go(taping.misfit!.slip)}>
                Read {measureOf(taping.misfit.slip).name} again
              </ActionButton>
            </Notice>
          )}
          <End taping={taping} words={ground.after.words} />
        </div>
        <Ribbon items={taping.items} at={item.id} unit={unit} onGo={taping.go} />
      </div>
      <TapeKeys />
    </Place>
  );
}

/** Where the list ends: what it needs is read, what is still open is told, and the next step is offered. */
function End({ taping, words }: { taping: TapingState; words: string }) {
  const { needed, helps } = taping.open;
  const on = (
    <ActionButton look={taping.done ? 'take' : 'plain'} onClick={taping.toSheet}>
      {words}
    </ActionButton>
  );
  if (needed > 0)
    return taping.passed > 0 ? (
      <p className="soft">
        Only what is needed: {needed} still to read.{' '}
        <ActionButton look="quiet" onClick={taping.walkAll}>
          Measure the {taping.passed} optional ones too
        </ActionButton>
      </p>
    ) : null;
  return (
    <div className="row" role="status">
      <span>All that is needed is read.{helps > 0 && ` ${helps} more would help.`}</span>
      {on}
      {taping.passed > 0 && (
        <ActionButton look="quiet" onClick={taping.walkAll}>
          Measure the {taping.passed} optional ones too
        </ActionButton>
      )}
    </div>
  );
}

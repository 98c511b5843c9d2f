import { tapeTyped } from '@rocchetto/core';
import { ActionButton } from '../../shared/pieces.tsx';
import type { DigitalTape } from './useDigitalTape.ts';

/** In the margin of the tape: whether a digital tape is listened to, and what of it waits for a hand. */
export function TapeLink({ tape }: { tape: DigitalTape }) {
  const { state, offered, garbage } = tape;
  return (
    <section>
      <h2>Digital tape</h2>
      {state === 'listening' ? (
        <p role="status">
          Connected.{' '}
          <ActionButton look="quiet" onClick={tape.stop}>
            Stop
          </ActionButton>
        </p>
      ) : (
        <p>
          <ActionButton look="quiet" onClick={tape.listen}>
            Connect tape
          </ActionButton>
          {state === 'held elsewhere' && (
            <span role="status"> Another page of this browser is using the tape.</span>
          )}
        </p>
      )}
      {offered.length > 0 && (
        <>
          <p className="soft">Arrived late or while you were busy; not entered:</p>
          <ul className="why">
            {offered.map((line) => (
              <li key={`${line.device} ${line.number}`}>
                {tapeTyped(line)}, {ago(line.ago)}{' '}
                <ActionButton
                  look="quiet"
                  onClick={() => {
                    tape.settle(line);
                    tape.use(line);
                  }}
                >
                  Enter here
                </ActionButton>{' '}
                <ActionButton look="quiet" onClick={() => tape.settle(line)}>
                  Discard
                </ActionButton>
              </li>
            ))}
          </ul>
        </>
      )}
      {garbage.count > 0 && (
        <p className="soft" role="status">
          {garbage.sentence} {garbage.count > 1 && `So far ${garbage.count} lines. `}Nothing was entered.
        </p>
      )}
      <p className="soft">
        <a href="/tape-device" target="_blank" rel="noreferrer">
          The practice tape
        </a>{' '}
        sends figures as a digital tape would.
      </p>
    </section>
  );
}

const ago = (ms: number) =>
  ms < 60_000 ? `${Math.round(ms / 1000)} s ago` : `${Math.round(ms / 60_000)} min ago`;

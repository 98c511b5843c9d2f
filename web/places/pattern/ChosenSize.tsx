import type { SizesView } from '@rocchetto/contract/compare.ts';
import { useDays } from '../../shared/me.ts';
import { ActionButton } from '../../shared/pieces.tsx';
import { Told } from './Told.tsx';

interface Props {
  readonly chosen: NonNullable<SizesView['chosen']>;
  readonly onDrop?: () => void;
  readonly busy?: boolean;
}

/** The size that was chosen, with what to change on the pattern before it is cut: the card to pin to it. */
export function ChosenSize({ chosen, onDrop, busy }: Props) {
  const { long } = useDays();
  return (
    <section className="slip card" aria-label={`Size ${chosen.size}`}>
      <h2>
        Size {chosen.size} <span className="soft">of {chosen.chart}</span>
      </h2>
      <p className="soft">
        Chosen by {chosen.by}, {long(chosen.at)}. By the body as it is measured now:
      </p>
      {chosen.changes === null ? (
        <p>
          The garment as it is briefed and the body as it is measured now say nothing of this size. Look at
          the brief, or measure what the chart gives.
        </p>
      ) : chosen.changes.length === 0 ? (
        <p>Nothing to change before it is cut.</p>
      ) : (
        <ol className="changes">
          {chosen.changes.map((c) => (
            <li key={c.zone}>
              <Told text={c.sentence} />
            </li>
          ))}
        </ol>
      )}
      <div className="row acts noprint">
        <ActionButton look="plain" onClick={() => window.print()}>
          Print card
        </ActionButton>
        {onDrop && (
          <ActionButton look="quiet" busy={busy} onClick={onDrop}>
            Remove choice
          </ActionButton>
        )}
      </div>
    </section>
  );
}

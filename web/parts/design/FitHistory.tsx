import { cm, type Figure, formatSentence, printByHand, type SheetUnit } from '@rocchetto/core';
import { type Lesson, lessonSentence } from '@rocchetto/core/alter/fit-history.ts';
import { useFitHistoryQuery } from '../../api/design.ts';
import { keepTogether } from '../../shared/keepTogether.ts';
import { ActionButton } from '../../shared/pieces.tsx';

interface Props {
  readonly orderId: number;
  readonly unit: SheetUnit;
  /** the sheet it can be taken into; words only where there is none, or it is agreed */
  readonly figures: readonly Figure[] | null;
  readonly onTake?: (take: Take) => void;
}
export interface Take {
  readonly figure: string;
  readonly target: NonNullable<Lesson['sets']>['target'];
  readonly value: string;
  readonly reason: string;
}

/** What the fittings of earlier orders have shown, to be taken into this sheet by a hand or left. */
export function FitHistory({ orderId, unit, figures, onTake }: Props) {
  const { data = [] } = useFitHistoryQuery(orderId);
  if (data.length === 0) return null;
  return (
    <section aria-label="From earlier fittings">
      <h2>From earlier fittings</h2>
      <ul className="why">
        {data.map((l) => {
          const take = figures && onTake ? takeOf(l, figures, unit) : null;
          const figure = take && figures!.find((f) => f.id === take.figure);
          const taken = figure?.overrides.some((o) => o.target === take!.target);
          return (
            <li key={l.id}>
              {keepTogether(formatSentence(lessonSentence(l), unit))}{' '}
              {taken ? (
                <span className="soft">set by hand here</span>
              ) : (
                take && (
                  <ActionButton
                    look="quiet"
                    aria-label={`Apply to this sheet: ${l.name}`}
                    onClick={() => onTake!(take)}
                  >
                    Apply to this sheet
                  </ActionButton>
                )
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What a lesson would set on a sheet: an ease with it added, or the figure itself; null where the sheet has none such. */
function takeOf(l: Lesson, figures: readonly Figure[], unit: SheetUnit): Take | null {
  if (!l.agrees || !l.sets) return null;
  const figure = figures.find((f) => f.id === l.sets!.figure);
  if (!figure || figure.finished === null) return null;
  const { target } = l.sets;
  const now =
    target === 'finished'
      ? figure.finished
      : figure.terms.filter((t) => t.kind === target).reduce((a, t) => a + t.cm, 0);
  return {
    figure: figure.id,
    target,
    value: asWritten(Math.round((now + l.by) * 10) / 10, unit),
    reason: `From the fittings of ${l.orders.join(', ')}.`,
  };
}

/** A length as a hand would write it into a field. */
function asWritten(length: number, unit: SheetUnit): string {
  const text = printByHand(cm(length), unit);
  return text.startsWith('less') ? `0 ${unit}` : text.replace('−', '-');
}

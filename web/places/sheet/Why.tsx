import { type Figure, type PrintedFigure, whyLines } from '@rocchetto/core';
import { keepTogether } from '../../shared/keepTogether.ts';

/** The chosen figure's parts, each with its reason. */
export function Why({ figure, printed }: { figure: Figure; printed: PrintedFigure }) {
  return (
    <section aria-live="polite" aria-label="Why">
      <h2>
        Why {printed.letter}, {printed.name}
      </h2>
      <p>
        <strong className="figure-big">{printed.finished}</strong>
        {printed.rule && <span className="soft"> the rule gives {printed.rule}</span>}
      </p>
      <ol className="why">
        {whyLines(printed).map((w) => (
          <li key={w}>{keepTogether(w)}</li>
        ))}
      </ol>
      {printed.drift && printed.drift[0] !== '0' && (
        <p className="soft">Rounded, the pieces together differ by {printed.drift}.</p>
      )}
      {figure.finished === null && (
        <p className="notice">Measure it, or set it by hand below with a reason.</p>
      )}
    </section>
  );
}

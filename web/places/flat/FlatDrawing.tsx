import { FLAT_FIELD, flatLine, flatStrokes } from '@rocchetto/core/measures/flat/flat-drawing.ts';
import type { FlatCut } from '@rocchetto/core/measures/flat/flat-points.ts';

/** The piece as it lies, with the tape where the chosen point is read. */
export function FlatDrawing({ cut, point, name }: { cut: FlatCut; point: string; name: string }) {
  const [x1, y1, x2, y2] = flatLine(cut, point);
  // The tape's ends are drawn square to it.
  const long = Math.hypot(x2 - x1, y2 - y1);
  const [nx, ny] = [(-(y2 - y1) / long) * 5, ((x2 - x1) / long) * 5];
  return (
    <figure className="figure">
      <svg viewBox={FLAT_FIELD.join(' ')} role="img" aria-label={`Laid flat: where ${name} is read`}>
        {flatStrokes(cut).map((d) => (
          <path key={d} d={d} fill="none" stroke="var(--ink)" strokeWidth={1.5} strokeLinejoin="round" />
        ))}
        <path
          d={`M${x1} ${y1} L${x2} ${y2} M${x1 - nx} ${y1 - ny} L${x1 + nx} ${y1 + ny} M${x2 - nx} ${y2 - ny} L${x2 + nx} ${y2 + ny}`}
          fill="none"
          stroke="var(--thread)"
          strokeWidth={3}
          strokeLinecap="round"
        />
      </svg>
    </figure>
  );
}

import { type DrawingView, strokeStyle } from '@rocchetto/core';

/** Front and back of this garment, made from its own figures, with lettered call-outs. The chosen one lights up. */
export function Drawing({ views, picked }: { views: readonly DrawingView[]; picked: string }) {
  return (
    <div className="drawing">
      {views.map((view) => (
        <figure key={view.title}>
          <figcaption className="soft">{view.title}</figcaption>
          <svg
            viewBox={view.box.join(' ')}
            role="img"
            aria-label={`The garment drawn from the ${view.title}, with letters ${view.callouts.map((c) => c.letter).join(', ')}`}
          >
            {view.strokes.map((s) => {
              const { width, dash } = strokeStyle(s.kind);
              const lit = s.figure === picked;
              return (
                <path
                  key={s.d + s.kind}
                  className={lit ? 'lit' : undefined}
                  d={s.d}
                  fill="none"
                  stroke={lit ? undefined : 'var(--ink)'}
                  strokeWidth={lit ? width * 2 : width}
                  strokeDasharray={lit ? undefined : dash}
                  strokeLinejoin="round"
                />
              );
            })}
            {view.callouts.map((c) => {
              const lit = c.figure === picked;
              return (
                <g key={c.letter}>
                  <path
                    className={lit ? 'lit' : undefined}
                    d={`M${c.label[0] + (c.label[0] < 0 ? 2.4 : -2.4)} ${c.label[1]} L${c.at[0]} ${c.at[1]}`}
                    stroke={lit ? undefined : 'var(--soft)'}
                    strokeWidth={0.15}
                  />
                  <text
                    className={lit ? 'lit' : undefined}
                    x={c.label[0]}
                    y={c.label[1] + 1.8}
                    fontSize={5}
                    fontWeight={700}
                    textAnchor="middle"
                  >
                    {c.letter}
                  </text>
                </g>
              );
            })}
          </svg>
        </figure>
      ))}
    </div>
  );
}

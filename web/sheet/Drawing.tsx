import { type DrawingView, strokeStyle } from '@rocchetto/core';
import { memo } from 'react';

/** The lines of one view, drawn once; what is chosen is laid over them. */
const Lines = memo(
  function Lines({ view }: { view: DrawingView }) {
    return (
      <>
        {view.strokes.map((s) => {
          const { width, dash } = strokeStyle(s.kind);
          return (
            <path
              key={s.d + s.kind}
              d={s.d}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={width}
              strokeDasharray={dash}
              strokeLinejoin="round"
            />
          );
        })}
        {view.callouts.map((c) => (
          <g key={c.letter}>
            <path d={leader(c)} stroke="var(--soft)" strokeWidth={0.15} />
            <Letter of={c} />
          </g>
        ))}
      </>
    );
  },
  (was, is) => JSON.stringify(was.view) === JSON.stringify(is.view),
);

type Callout = DrawingView['callouts'][number];
const leader = (c: Callout) =>
  `M${c.label[0] + (c.label[0] < 0 ? 2.4 : -2.4)} ${c.label[1]} L${c.at[0]} ${c.at[1]}`;
const Letter = ({ of: c, lit }: { of: Callout; lit?: boolean }) => (
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
);

/** Front and back of this garment, made from its own figures, with lettered call-outs. The chosen one lights up. */
export const Drawing = memo(function Drawing({
  views,
  picked,
}: {
  views: readonly DrawingView[];
  picked: string;
}) {
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
            <Lines view={view} />
            {view.strokes
              .filter((s) => s.figure === picked)
              .map((s) => (
                <path
                  key={s.d + s.kind}
                  className="lit"
                  d={s.d}
                  fill="none"
                  strokeWidth={strokeStyle(s.kind).width * 2}
                  strokeLinejoin="round"
                />
              ))}
            {view.callouts
              .filter((c) => c.figure === picked)
              .map((c) => (
                <g key={c.letter}>
                  <path className="lit" d={leader(c)} strokeWidth={0.3} />
                  <Letter of={c} lit />
                </g>
              ))}
          </svg>
        </figure>
      ))}
    </div>
  );
});

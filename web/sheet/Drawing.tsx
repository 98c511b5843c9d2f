import { anchorOf, type Callout, type DrawingView, leader, strokeStyle } from '@rocchetto/core';
import { memo } from 'react';

/** The lines of one view, drawn once; what is chosen is laid over them. */
const Lines = memo(
  function Lines({ view }: { view: DrawingView }) {
    return (
      <>
        {view.strokes.map((s, i) => {
          const { width, dash } = strokeStyle(s.kind);
          return (
            <path
              key={i}
              d={s.d}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={width}
              strokeDasharray={dash}
              strokeLinejoin="round"
            />
          );
        })}
        {view.callouts.map((c, i) => (
          <g key={i}>
            <path d={leader(c, view.letters)} stroke="var(--soft)" strokeWidth={0.15} />
            <Letter of={c} size={view.letters} />
          </g>
        ))}
        {view.words.map((w, i) => (
          <text
            key={i}
            x={w.at[0]}
            y={w.at[1]}
            fontSize={view.letters}
            textAnchor="middle"
            fill="var(--soft)"
          >
            {w.text}
          </text>
        ))}
      </>
    );
  },
  (was, is) => JSON.stringify(was.view) === JSON.stringify(is.view),
);

const Letter = ({ of: c, size, lit }: { of: Callout; size: number; lit?: boolean }) => (
  <text
    className={lit ? 'lit' : undefined}
    x={c.label[0]}
    y={c.label[1] + size * 0.36}
    fontSize={size}
    fontWeight={700}
    textAnchor={anchorOf(c)}
  >
    {c.letter}
    {c.text && (
      <tspan fontWeight={400} dx={size * 0.3}>
        {c.text}
      </tspan>
    )}
  </text>
);

interface Props {
  readonly view: DrawingView;
  readonly picked: string;
  readonly label: string;
}

/** One drawing with lettered call-outs. The chosen figure lights up. */
const View = ({ view, picked, label }: Props) => (
  <svg viewBox={view.box.join(' ')} role="img" aria-label={label}>
    <Lines view={view} />
    {view.strokes
      .filter((s) => s.figure === picked)
      .map((s, i) => (
        <path
          key={i}
          className="lit"
          d={s.d}
          fill="none"
          strokeWidth={strokeStyle(s.kind).width * 2}
          strokeLinejoin="round"
        />
      ))}
    {view.callouts
      .filter((c) => c.figure === picked)
      .map((c, i) => (
        <g key={i}>
          <path className="lit" d={leader(c, view.letters)} strokeWidth={0.3} />
          <Letter of={c} size={view.letters} lit />
        </g>
      ))}
  </svg>
);

const letters = (view: DrawingView) => view.callouts.map((c) => c.letter).join(', ');

/** Front and back of this garment, made from its own panels. */
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
          <View
            view={view}
            picked={picked}
            label={`The garment drawn from the ${view.title}, with letters ${letters(view)}`}
          />
        </figure>
      ))}
    </div>
  );
});

/** The panels flat and to scale, each letter with its measure. */
export const Panels = memo(function Panels({ view, picked }: { view: DrawingView; picked: string }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: on a phone it is scrolled sideways, by keyboard too
    <section aria-label="Panels" className="panels scroll" tabIndex={0}>
      <h2>The panels, flat and to scale</h2>
      <View view={view} picked={picked} label={`The panels drawn flat, with letters ${letters(view)}`} />
    </section>
  );
});

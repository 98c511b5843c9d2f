import {
  anchorOf,
  type Callout,
  type DrawingView,
  type DrawnPart,
  leader,
  strokeStyle,
} from '@rocchetto/core';
import { memo } from 'react';
import { SelectField } from '../../shared/pieces.tsx';

/** The lines of one view, drawn once; what is chosen is laid over them. */
const Lines = memo(
  function Lines({ view, thin }: { view: DrawingView; thin: number }) {
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
              strokeWidth={width * thin}
              strokeDasharray={dash}
              strokeLinejoin="round"
            />
          );
        })}
        {view.callouts.map((c, i) => (
          <g key={i}>
            <path d={leader(c, view.letters)} stroke="var(--soft)" strokeWidth={0.15 * thin} />
            <Letter callout={c} size={view.letters} />
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

const Letter = ({ callout: c, size, lit }: { callout: Callout; size: number; lit?: boolean }) => (
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
  /** how much thinner lines are than in the whole drawing */
  readonly thin?: number;
}

/** One drawing with lettered call-outs. The chosen figure lights up. */
const View = ({ view, picked, label, thin = 1 }: Props) => (
  <svg viewBox={view.box.join(' ')} role="img" aria-label={label}>
    <Lines view={view} thin={thin} />
    {view.strokes
      .filter((s) => s.figure === picked)
      .map((s, i) => (
        <path
          key={i}
          className="lit"
          d={s.d}
          fill="none"
          strokeWidth={strokeStyle(s.kind).width * 2 * thin}
          strokeLinejoin="round"
        />
      ))}
    {view.callouts
      .filter((c) => c.figure === picked)
      .map((c, i) => (
        <g key={i}>
          <path className="lit" d={leader(c, view.letters)} strokeWidth={0.3 * thin} />
          <Letter callout={c} size={view.letters} lit />
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

/** Letters of a panel that stands alone are so much larger than in the drawing of all. */
const ALONE_LARGER = 1.25;

/** One panel out of the drawing of all: the same lines and letters, as large as the page allows. */
function aloneIn(view: DrawingView, part: DrawnPart): { view: DrawingView; thin: number } {
  const [x, y, w, h] = part.box;
  const within = (at: readonly [number, number]) =>
    at[0] >= x && at[0] <= x + w && at[1] >= y && at[1] <= y + h;
  const callouts = view.callouts.filter((c) => within(c.at));
  // Its letters are smaller beside it than in the drawing of all, and need less room.
  let [from, to, letters] = [x, x + w, view.letters];
  for (let i = 0; i < 3; i++) {
    letters = view.letters * Math.min(1, ((to - from) / view.box[2]) * ALONE_LARGER);
    const long = (c: Callout) => letters * 0.62 * (c.text.length + 3.5);
    const ends = callouts.map((c) => (anchorOf(c) === 'end' ? c.label[0] - long(c) : c.label[0] + long(c)));
    from = Math.min(part.across[0] - letters, ...ends);
    to = Math.max(part.across[1] + letters, ...ends);
  }
  const words = view.words.filter((q) => within(q.at));
  return {
    thin: Math.min(1, ((to - from) / view.box[2]) * ALONE_LARGER),
    view: { ...view, box: [from, y, to - from, h], letters, callouts, words },
  };
}

/** The panels flat and to scale, each letter with its measure: all of them, or one that fills the width. */
export const Panels = memo(function Panels({
  view,
  picked,
  alone,
  onAlone,
}: {
  view: DrawingView;
  picked: string;
  alone: string | null;
  onAlone: (id: string | null) => void;
}) {
  const parts = view.parts ?? [];
  const part = parts.find((p) => p.id === alone);
  const shown = part ? aloneIn(view, part) : { view, thin: 1 };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: on a phone it is scrolled sideways, by keyboard too
    <section aria-label="Panels" className="panels scroll" tabIndex={0}>
      <div className="spread">
        <h2>{part ? `${part.name}, flat and to scale` : 'The panels, flat and to scale'}</h2>
        {parts.length > 1 && (
          <label className="noprint">
            Show{' '}
            <SelectField value={part?.id ?? ''} onChange={(e) => onAlone(e.target.value || null)}>
              <option value="">all panels</option>
              {parts.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </SelectField>
          </label>
        )}
      </div>
      <View
        {...shown}
        picked={picked}
        label={`${part ? part.name : 'The panels'} drawn flat, with letters ${letters(shown.view)}`}
      />
    </section>
  );
});

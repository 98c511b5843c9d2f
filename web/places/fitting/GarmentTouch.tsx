import type { AlterationView, AskedWire } from '@rocchetto/contract';
import { type DrawingView, strokeStyle } from '@rocchetto/core';
import { useRef } from 'react';

type Mark = NonNullable<AskedWire['mark']>;

interface Props {
  readonly views: readonly DrawingView[];
  /** what is marked already, with the number it has in the list */
  readonly alterations: readonly AlterationView[];
  readonly mark: Mark | null;
  readonly onMark: (m: Mark) => void;
}

/** This order’s own drawing, front, back and its panels: a touch sets the pin of the change that is written. */
export function GarmentTouch({ views, alterations, mark, onMark }: Props) {
  const shown = (v: DrawingView) => (
    <View key={v.title} view={v} alterations={alterations} mark={mark} onMark={onMark} />
  );
  const isFirst = (v: DrawingView) => v.title === 'front' || v.title === 'back';
  const others = views.filter((v) => !isFirst(v));
  // What is marked there is seen without opening anything.
  const marked = others.some(
    (v) => mark?.view === v.title || alterations.some((a) => a.asked.mark?.view === v.title),
  );
  return (
    <>
      <div className="drawing touch">{views.filter(isFirst).map(shown)}</div>
      {others.length > 0 && (
        <details open={marked || undefined}>
          <summary>Inside and panels</summary>
          <div className="drawing touch">{others.map(shown)}</div>
        </details>
      )}
    </>
  );
}

function View({ view, alterations, mark, onMark }: Omit<Props, 'views'> & { view: DrawingView }) {
  const svg = useRef<SVGSVGElement>(null);
  const face = view.title as Mark['view'];
  const [x, y, w, h] = view.box;
  const pin = view.letters * 0.75;
  const at = (m: Mark, word: string, strong: boolean) => (
    <g key={word}>
      <circle
        cx={m.x}
        cy={m.y}
        r={pin}
        fill={strong ? 'var(--thread)' : 'var(--sheet)'}
        stroke="var(--thread)"
        strokeWidth={pin / 6}
      />
      <text
        x={m.x}
        y={m.y + pin * 0.4}
        fontSize={pin * 1.15}
        fontWeight={700}
        textAnchor="middle"
        fill={strong ? 'var(--sheet)' : 'var(--ink)'}
      >
        {word}
      </text>
    </g>
  );
  return (
    <figure className={view.title}>
      <figcaption className="soft">{view.title}</figcaption>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: by keyboard the place is told by the seam and its distances */}
      <svg
        ref={svg}
        viewBox={`${x} ${y} ${w} ${h}`}
        role="img"
        aria-label={`The garment ${view.title === 'panels' ? 'as its panels' : `from the ${view.title}`}, ${alterations.filter((a) => a.asked.mark?.view === face).length} marks`}
        onClick={(e) => {
          const point = new DOMPoint(e.clientX, e.clientY).matrixTransform(
            svg.current!.getScreenCTM()!.inverse(),
          );
          onMark({ view: face, x: Math.round(point.x * 10) / 10, y: Math.round(point.y * 10) / 10 });
        }}
      >
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
        {view.words.map((w) => (
          <text
            key={w.text}
            x={w.at[0]}
            y={w.at[1]}
            fontSize={view.letters}
            textAnchor="middle"
            fill="var(--soft)"
          >
            {w.text}
          </text>
        ))}
        {alterations.map((a, i) => a.asked.mark?.view === face && at(a.asked.mark, String(i + 1), false))}
        {mark?.view === face && at(mark, '+', true)}
      </svg>
    </figure>
  );
}

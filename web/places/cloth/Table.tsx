import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { pathData } from '@rocchetto/core/draft/outline.ts';
import { type ClothInHand, usable } from '@rocchetto/core/lay/cloth.ts';
import type { LaidPiece, LaidStrip, Lay } from '@rocchetto/core/lay/lay.ts';
import { outlined, whyNot } from '@rocchetto/core/lay/legal.ts';
import { asLaid, type LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { layRows, widthAsLaid } from '@rocchetto/core/lay/rows.ts';
import { slidTo } from '@rocchetto/core/lay/slide.ts';
import { middleOf } from '@rocchetto/core/pattern/label.ts';
import { lines } from '@rocchetto/core/pattern/polyline.ts';
import { type KeyboardEvent, memo, type PointerEvent, useId, useMemo, useRef, useState } from 'react';
import { found, type Pieces } from './hand.ts';

/** A piece that goes no nearer than this to where the hand wants it is shown there, hatched, with the reason, cm. */
const TOO_FAR = 8;
const EDGE = 6;
const STEP = 0.5;

export interface Acts {
  readonly move: (id: string, to: { x: number; y: number }) => void;
  readonly choose: (id: string) => void;
  readonly key: (key: string, id: string) => boolean;
  readonly say: (sentence: string) => void;
}
interface Props {
  readonly lay: Lay;
  readonly pieces: Pieces;
  readonly cloth: ClothInHand;
  readonly unit: SheetUnit;
  readonly chosen: string | null;
  readonly pinned: readonly string[];
  readonly wrong: ReadonlyMap<string, readonly string[]>;
  readonly acts: Acts;
}

/** The cloth on its table: cut end at the left with a ruler, first selvedge or fold above, the end of the cloth in hand as a red line. */
export function Table({ lay, pieces, cloth, unit, chosen, pinned, wrong, acts }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Dragged | null>(null);
  const start = useRef<{ id: string; at: readonly [number, number]; x: number; y: number } | null>(null);
  const hatch = useId();
  const { length } = usable(cloth);
  const long = Math.max(lay.length, length ?? 0, 40);
  const numbers = useMemo(
    () => new Map(layRows(lay, [...pieces.values()], cloth).map((r) => [r.id, r.number])),
    [lay, pieces, cloth],
  );
  const wide = Math.max(10, ...lay.stages.map((s) => widthAsLaid(s.strips, cloth)));
  const at = (e: PointerEvent): readonly [number, number] => {
    const m = svg.current!.getScreenCTM()!.inverse();
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m);
    return [p.x, p.y];
  };
  const down = (e: PointerEvent, l: LaidPiece) => {
    if (e.button !== 0) return;
    acts.choose(l.id);
    if (pinned.includes(l.id)) return acts.say('It is pinned. Unpin it to move it.');
    start.current = { id: l.id, at: at(e), x: l.x, y: l.y };
    svg.current!.setPointerCapture(e.pointerId);
  };
  const moving = (e: PointerEvent) => {
    const s = start.current;
    const own = s && found(lay, s.id);
    if (!s || !own) return;
    const [u, v] = at(e);
    // Across it goes by half centimetres, from where it lies.
    const want = { x: s.x + Math.round((v - s.at[1]) / STEP) * STEP, y: Math.max(0, s.y + u - s.at[0]) };
    setDrag(draggedTo(own.laid, want, own.strip, pieces, cloth));
  };
  const up = () => {
    const s = start.current;
    start.current = null;
    if (!s || !drag) return setDrag(null);
    if (drag.why) acts.say(`${formatSentence(drag.why, unit)}: it went back to where it lay.`);
    else acts.move(s.id, drag);
    setDrag(null);
  };
  const key = (e: KeyboardEvent) => {
    if (e.altKey || (e.ctrlKey && e.key !== 'z')) return;
    const pressed = e.ctrlKey ? 'u' : e.shiftKey && e.key.startsWith('Arrow') ? `Shift+${e.key}` : e.key;
    if (acts.key(pressed, chosen ?? '')) e.preventDefault();
  };
  return (
    <div
      className="cloth-table"
      role="application"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: pieces are moved with the keys
      tabIndex={0}
      aria-label="The cloth. N and B choose the next piece and the one before; arrows move it by half a centimetre, with Shift by five; F turns it about, M mirrors it, Home drops it to the cut end, P pins it, Delete takes it off, U undoes."
      onKeyDown={key}
    >
      <svg
        ref={svg}
        viewBox={`${-EDGE} ${-EDGE} ${long + 2 * EDGE} ${wide + EDGE + 2}`}
        preserveAspectRatio="xMinYMin meet"
        style={{ minWidth: `${Math.round((long + 2 * EDGE) * 2.2)}px` }}
        aria-hidden="true"
        onPointerMove={moving}
        onPointerUp={up}
        onPointerCancel={() => {
          start.current = null;
          setDrag(null);
        }}
      >
        <defs>
          <pattern
            id={hatch}
            width="2"
            height="2"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V2" className="hatch" />
          </pattern>
        </defs>
        <Ground lay={lay} cloth={cloth} long={long} unit={unit} />
        {lay.stages.map((stage, i) =>
          stage.strips.map((strip, k) => (
            <g key={`${i} ${k}`} transform={`translate(${stage.from} ${beginsAt(strip, cloth)})`}>
              {strip.pieces.map((l) => {
                const p = pieces.get(l.piece);
                if (!p) return null;
                const d = drag?.id === l.id ? drag : null;
                const bad = d ? d.why !== null : wrong.has(l.id);
                return (
                  <g
                    key={l.id}
                    className="laid"
                    data-chosen={chosen === l.id || undefined}
                    data-pinned={pinned.includes(l.id) || undefined}
                    data-bad={bad || undefined}
                    transform={`translate(${d ? d.y : l.y} ${d ? d.x : l.x})`}
                    onPointerDown={(e) => down(e, l)}
                  >
                    <Shape
                      piece={p}
                      laid={l}
                      number={numbers.get(l.id) ?? 0}
                      fill={bad ? `url(#${hatch})` : undefined}
                    />
                  </g>
                );
              })}
            </g>
          )),
        )}
        {length !== null && <path className="cloth-end" d={`M${length} ${-EDGE}V${wide + 2}`} />}
      </svg>
      {drag?.why && (
        <p className="drag-why" aria-hidden="true">
          {formatSentence(drag.why, unit)}
        </p>
      )}
    </div>
  );
}

interface Dragged {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly why: string | null;
}
/** Where a piece under the hand is shown: slid along its neighbours, or hatched where it may not lie. */
function draggedTo(
  laid: LaidPiece,
  want: { x: number; y: number },
  strip: LaidStrip,
  pieces: Pieces,
  cloth: ClothInHand,
): Dragged {
  const slid = slidTo(laid, want, strip, pieces, cloth);
  if (slid && Math.hypot(slid.x - want.x, slid.y - want.y) <= TOO_FAR)
    return { id: laid.id, ...slid, why: null };
  const there = { ...laid, ...want };
  const others = strip.pieces.flatMap((o) => {
    const p = pieces.get(o.piece);
    return p ? [outlined(o, p)] : [];
  });
  const why = whyNot(outlined(there, pieces.get(laid.piece)!), others, strip, pieces, cloth);
  return { id: laid.id, ...want, why: why[0] ? `${pieces.get(laid.piece)!.name}: ${why[0]}` : null };
}

/** On cloth that lies open the pieces begin inside the selvedge. */
const beginsAt = (strip: LaidStrip, cloth: ClothInHand): number =>
  strip.folds.length > 0 ? 0 : strip.across > 0 ? strip.across : cloth.selvedge;

interface ShapeProps {
  readonly piece: LayPiece;
  readonly laid: LaidPiece;
  readonly number: number;
  readonly fill: string | undefined;
}
/** A piece as it lies, drawn once for each way it is turned. */
const Shape = memo(
  function Shape({ piece, laid, number, fill }: ShapeProps) {
    const ring = asLaid(laid.half ? piece.half! : piece.whole, laid.turn, laid.mirrored);
    const turned = ring.map(([x, y]) => [y, x] as const);
    const [w, h] = [Math.max(...turned.map(([x]) => x)), Math.max(...turned.map(([, y]) => y))];
    const size = Math.max(1.8, Math.min(3, w / 8, h / 2.5));
    // A name that is longer than its piece gives way to its number in the list.
    const text = piece.name.length * size * 0.5 < w * 0.9 && h > 1.6 * size ? piece.name : String(number);
    const [u, v] = text === piece.name ? [w / 2, h / 2] : middleOf(turned, []);
    return (
      <>
        <path d={pathData(lines(turned, true), true)} style={fill ? { fill } : undefined} />
        <text x={u} y={v + size / 3} fontSize={size} textAnchor="middle">
          {text}
        </text>
      </>
    );
  },
  (a, b) =>
    a.piece === b.piece &&
    a.fill === b.fill &&
    a.number === b.number &&
    a.laid.turn === b.laid.turn &&
    a.laid.mirrored === b.laid.mirrored &&
    a.laid.half === b.laid.half,
);

/** The cloth itself: its edges, selvedges, folds, flaws, and the ruler from the cut end. */
function Ground({ lay, cloth, long, unit }: { lay: Lay; cloth: ClothInHand; long: number; unit: SheetUnit }) {
  const step = unit === 'cm' ? 10 : 2.54 * 4;
  const marks = Array.from({ length: Math.floor(long / step) + 1 }, (_, i) => i * step);
  return (
    <g className="ground">
      {lay.stages.map((s, i) => (
        <rect
          key={s.from}
          x={s.from}
          y={0}
          width={
            (i === lay.stages.length - 1 ? Math.max(long, s.from + s.length) : s.from + s.length) - s.from
          }
          height={widthAsLaid(s.strips, cloth)}
        />
      ))}
      {lay.stages.map((s) => {
        const w = widthAsLaid(s.strips, cloth);
        const folded = s.strips.some((p) => p.folds.length > 0);
        return (
          <g key={s.from}>
            {!folded && (
              <path
                className="selvedge"
                d={`M${s.from} ${cloth.selvedge}h${s.length}M${s.from} ${w - cloth.selvedge}h${s.length}`}
              />
            )}
            {s.strips.flatMap((p) =>
              p.folds.map((f) => (
                <path
                  key={`${p.across} ${f}`}
                  className="fold"
                  d={`M${s.from} ${f === 'left' ? p.across : p.across + p.width}h${s.length}`}
                />
              )),
            )}
          </g>
        );
      })}
      {cloth.flaws.map((f, i) => (
        <rect key={i} className="flaw" x={f.along} y={f.across} width={f.length} height={f.width} />
      ))}
      {marks.map((m, i) => (
        <g key={m}>
          <path className="rule" d={`M${m} ${i % 5 === 0 ? -3 : -1.6}V0`} />
          {i % 5 === 0 && (
            <text x={m} y={-3.4} fontSize={2.6} textAnchor="middle">
              {unit === 'cm' ? m : Math.round(m / 2.54)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

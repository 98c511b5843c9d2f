import { type Cm, cm, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { pathData } from '@rocchetto/core/draft/outline.ts';
import { arranged } from '@rocchetto/core/pattern/arrange.ts';
import type { PatternPiece } from '@rocchetto/core/pattern/piece.ts';
import { lines } from '@rocchetto/core/pattern/polyline.ts';
import { select } from 'd3-selection';
import { type ZoomBehavior, zoom, zoomIdentity, zoomTransform } from 'd3-zoom';
import { type KeyboardEvent, type MouseEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import { ActionButton } from '../../shared/pieces.tsx';
import { type At, caughtBy, placesOf } from './places.ts';

/** All pieces lie in rows of about this width, cm. */
const ROW = 170;
const EDGE = 3;
/** A key moves the view by this part of it, and the mark by this, cm. */
const STEP = 0.1;
const MARK_STEP = 0.5;
/** A corner or notch catches the mark from this far, as a part of what is seen. */
const CATCHES = 0.012;

interface Props {
  readonly pieces: readonly PatternPiece[];
  /** edges that are walked just now */
  readonly marked: readonly { readonly piece: string; readonly edge: string }[];
  readonly measuring: boolean;
  readonly unit: SheetUnit;
}

/** The pieces on a table that can be brought nearer and moved, by wheel, fingers and keys; two places of it are measured. */
export function Board({ pieces, marked, measuring, unit }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const moved = useRef<SVGGElement>(null);
  const behave = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const lying = useMemo(() => arranged(pieces, ROW), [pieces]);
  const places = useMemo(() => placesOf(lying), [lying]);
  const [width, height] = [lying.width + 2 * EDGE, lying.height + 2 * EDGE];
  const [picked, setPicked] = useState<readonly At[]>([]);
  const [mark, setMark] = useState<At>([lying.width / 2, lying.height / 2]);
  useEffect(() => {
    const own = select(svg.current!);
    const z = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, 40])
      .extent([
        [-EDGE, -EDGE],
        [width - EDGE, height - EDGE],
      ])
      .translateExtent([
        [-EDGE, -EDGE],
        [width - EDGE, height - EDGE],
      ])
      .on('zoom', ({ transform }) => moved.current?.setAttribute('transform', String(transform)));
    own.call(z).on('dblclick.zoom', null);
    behave.current = z;
    return () => void own.on('.zoom', null);
  }, [width, height]);
  const pick = (at: At) => {
    const near = caughtBy(places, at, (CATCHES * width) / zoomTransform(svg.current!).k) ?? at;
    setMark(near);
    setPicked((p) => (p.length === 2 ? [near] : [...p, near]));
  };
  const press = (e: MouseEvent) => {
    const to = moved.current?.getScreenCTM();
    if (!measuring || !to) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(to.inverse());
    pick([at.x, at.y]);
  };
  const key = (e: KeyboardEvent) => {
    const own = select(svg.current!);
    const z = behave.current;
    if (!z) return;
    const way = ARROWS[e.key];
    if (way && measuring)
      setMark(([x, y]) => [
        x + way[0] * MARK_STEP * (e.shiftKey ? 10 : 1),
        y + way[1] * MARK_STEP * (e.shiftKey ? 10 : 1),
      ]);
    else if (way) {
      const { k } = zoomTransform(svg.current!);
      own.call(z.translateBy, (-way[0] * STEP * width) / k, (-way[1] * STEP * height) / k);
    } else if (e.key === '+' || e.key === '=') own.call(z.scaleBy, 1.4);
    else if (e.key === '-') own.call(z.scaleBy, 1 / 1.4);
    else if (e.key === '0') own.call(z.transform, zoomIdentity);
    else if (e.key === 'Enter' && measuring) pick(mark);
    else if (e.key === 'Escape' && picked.length > 0) setPicked([]);
    else return;
    e.preventDefault();
  };
  const zoomed = (by: number) => behave.current && select(svg.current!).call(behave.current.scaleBy, by);
  const apart =
    picked.length === 2 ? cm(Math.hypot(picked[1]![0] - picked[0]![0], picked[1]![1] - picked[0]![1])) : null;
  return (
    <div className="board">
      <div
        className="table"
        role="application"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it is moved with the keys
        tabIndex={0}
        aria-label={`Pieces: ${pieces.map((p) => p.name).join(', ')}. Plus and minus bring them nearer, arrows move ${measuring ? 'the mark, Enter takes its place' : 'them'}, 0 shows all.`}
        onKeyDown={key}
        onClick={press}
      >
        <svg
          ref={svg}
          aria-hidden="true"
          viewBox={`${-EDGE} ${-EDGE} ${width} ${height}`}
          data-measuring={measuring || undefined}
        >
          <g ref={moved}>
            {lying.placed.map(({ piece, by }) => (
              <g key={piece.id} transform={`translate(${by[0]} ${by[1]})`}>
                <Piece piece={piece} />
                {piece.edges
                  .filter((e) => marked.some((m) => m.piece === e.piece && m.edge === e.id))
                  .map((e) => (
                    <path key={`${e.piece} ${e.id}`} className="walked" d={pathData(e.path)} />
                  ))}
              </g>
            ))}
            {measuring && (
              <g className="measured">
                {picked.length === 2 && <path d={`M${picked[0]!.join(' ')}L${picked[1]!.join(' ')}`} />}
                {picked.map(([x, y], i) => (
                  <circle key={i} cx={x} cy={y} r={0.5} />
                ))}
                <path d={`M${mark[0] - 1} ${mark[1]}h2M${mark[0]} ${mark[1] - 1}v2`} />
              </g>
            )}
          </g>
        </svg>
      </div>
      <p className="row noprint">
        <ActionButton look="ask" onClick={() => zoomed(1.6)}>
          Nearer
        </ActionButton>
        <ActionButton look="ask" onClick={() => zoomed(1 / 1.6)}>
          Further away
        </ActionButton>
        <span role="status">{measuring ? toldOf(picked.length, apart, unit) : ''}</span>
      </p>
    </div>
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const toldOf = (picked: number, apart: Cm | null, unit: SheetUnit): string =>
  apart !== null
    ? `${printWithUnit(apart, unit)} apart, in a straight line.`
    : picked === 1
      ? 'Choose the second place.'
      : 'Choose the first place.';

/** One piece as it is printed; drawn once, however the table is moved. */
const Piece = memo(function Piece({ piece }: { readonly piece: PatternPiece }) {
  return (
    <>
      <path className="cut" d={pathData(lines(piece.ring), true)} />
      {piece.lines.map((l, i) => (
        <path key={i} className={l.kind.toLowerCase()} d={pathData(l.path)} />
      ))}
      {piece.words.map((w, i) => (
        <text
          key={i}
          x={w.at[0]}
          y={w.at[1]}
          fontSize={w.size * 1.4}
          textAnchor={w.centred ? 'middle' : undefined}
          transform={w.upright ? `rotate(-90 ${w.at[0]} ${w.at[1]})` : undefined}
        >
          {w.text}
        </text>
      ))}
    </>
  );
});

import type { DrawnWays } from '@rocchetto/core/measures/guide/draw-course.ts';
import { type Build, FIGURE_FIELD, type FigureView } from '@rocchetto/core/measures/guide/figure-model.ts';
import { coursePaths, outline } from '@rocchetto/core/measures/guide/figure-paths.ts';

const VIEW_WORD: Readonly<Record<FigureView, string>> = {
  front: 'seen from the front',
  side: 'seen from the side',
  back: 'seen from behind',
  seated: 'seated, seen from the side',
};

interface Props {
  readonly measure: string;
  readonly name: string;
  readonly build?: Build;
  /** what of the session’s ways of measuring shows in the picture */
  readonly ways?: DrawnWays;
  /** without the words of its landmarks: small, in a list */
  readonly bare?: boolean;
  /** what is said of the picture in another language; its landmarks are then not named */
  readonly said?: string | undefined;
}

/** The figure in one line weight, with the tape's course in the thread colour. It turns when the tape does. */
export function TapeFigure({ measure, name, build, ways, bare = false, said }: Props) {
  const course = coursePaths(measure, build, ways);
  const { view } = course;
  return (
    <figure className="figure">
      <svg
        viewBox={bare ? '30 -6 190 466' : FIGURE_FIELD.join(' ')}
        role="img"
        aria-label={said ?? `Figure ${VIEW_WORD[view]}: the tape's course for ${name}`}
      >
        {outline(view, build).map(({ d, of }) => (
          <path
            key={d}
            d={d}
            fill="none"
            stroke={of === 'chair' ? 'var(--line)' : 'var(--ink)'}
            strokeWidth={of === 'chair' ? 3 : 1.6}
            strokeLinejoin="round"
          />
        ))}
        {view === 'back' && (
          <path d="M100 92 L100 240" stroke="var(--line)" strokeWidth={1.4} strokeDasharray="3 4" />
        )}
        {course.behindD && (
          <path d={course.behindD} fill="none" stroke="var(--thread)" strokeWidth={2} strokeDasharray="3 4" />
        )}
        <path
          d={course.seenD}
          fill="none"
          stroke="var(--thread)"
          strokeWidth={bare ? 7 : 4}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
        {!bare && !said && <Words landmarks={course.landmarks} />}
      </svg>
      {!bare && <figcaption className="soft">{said ?? VIEW_WORD[view]}</figcaption>}
    </figure>
  );
}

/** Words stand clear of the figure, on the side that their point lies, a line apart. */
function Words({ landmarks }: { landmarks: ReturnType<typeof coursePaths>['landmarks'] }) {
  const placed = (['left', 'right'] as const).flatMap((side) => {
    let last = Number.NEGATIVE_INFINITY;
    return landmarks
      .filter(({ at }) => (side === 'left') === at[0] < 98)
      .toSorted((a, b) => a.at[1] - b.at[1])
      .map((w) => {
        last = Math.max(w.at[1], last + 15);
        return { ...w, side, y: last };
      });
  });
  return placed.map(({ at: [x, y], word, side, y: line }) => (
    <g key={word}>
      <circle cx={x} cy={y} r={4} fill="var(--paper)" stroke="var(--thread)" strokeWidth={2} />
      <path
        d={`M${x} ${y} L${side === 'left' ? 30 : 172} ${line}`}
        stroke="var(--line)"
        strokeWidth={1}
        fill="none"
      />
      <text
        x={side === 'left' ? 28 : 174}
        y={line + 4}
        fontSize={word.length > 12 ? 10 : 12}
        fill="var(--ink)"
        textAnchor={side === 'left' ? 'end' : 'start'}
      >
        {word}
      </text>
    </g>
  ));
}

import { courseOf, outline } from './figure-paths.ts';

const VIEW_WORD = {
  front: 'seen from the front',
  side: 'seen from the side',
  back: 'seen from behind',
} as const;

/** The figure in one line weight, with the tape's course in the thread colour. It turns when the tape does. */
export function TapeFigure({ measure, name }: { measure: string; name: string }) {
  const course = courseOf(measure);
  const view = course?.view ?? 'front';
  return (
    <figure className="figure">
      <svg
        viewBox="-26 8 262 452"
        role="img"
        aria-label={`Figure ${VIEW_WORD[view]}: the tape's course for ${name}`}
      >
        {outline(view).map((d) => (
          <path key={d} d={d} fill="none" stroke="var(--ink)" strokeWidth={1.6} strokeLinejoin="round" />
        ))}
        {view === 'back' && (
          <path d="M100 92 L100 240" stroke="var(--line)" strokeWidth={1.4} strokeDasharray="3 4" />
        )}
        {course && (
          <>
            <path
              d={course.behind}
              fill="none"
              stroke="var(--thread)"
              strokeWidth={2}
              strokeDasharray="3 4"
            />
            <path d={course.seen} fill="none" stroke="var(--thread)" strokeWidth={4} strokeLinecap="round" />
            {course.landmarks.map(({ at: [x, y], word }) => (
              <g key={word}>
                <circle cx={x} cy={y} r={4} fill="var(--paper)" stroke="var(--thread)" strokeWidth={2} />
                {/* Words stand clear of the body: at the edge of the picture on the side that the point lies. */}
                <path d={`M${x} ${y} H${x < 105 ? 30 : 172}`} stroke="var(--line)" strokeWidth={1} />
                <text
                  x={x < 105 ? 28 : 174}
                  y={y + 4}
                  fontSize={13}
                  fill="var(--ink)"
                  textAnchor={x < 105 ? 'end' : 'start'}
                >
                  {word}
                </text>
              </g>
            ))}
          </>
        )}
      </svg>
      <figcaption className="soft">{VIEW_WORD[view]}</figcaption>
    </figure>
  );
}

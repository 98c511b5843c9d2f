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
    <figure className="figure" style={{ margin: 0 }}>
      <svg
        viewBox="10 8 190 452"
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
                <text x={x + 8} y={y + 5} fontSize={13} fill="var(--ink)">
                  {word}
                </text>
              </g>
            ))}
          </>
        )}
      </svg>
      <figcaption className="soft" style={{ textAlign: 'center' }}>
        {VIEW_WORD[view]}
      </figcaption>
    </figure>
  );
}

import type { Sign, SignStroke, SignView } from '@rocchetto/core/alter/index.ts';

/** What a sign is drawn on, in a field of 60 by 80. */
const GROUND: Readonly<Record<SignView, string>> = {
  'bodice-front': 'M22 6 Q30 18 38 6 L50 11 L46 30 L43 34 L41 64 L19 64 L17 34 L14 30 L10 11 Z',
  'bodice-back': 'M22 6 Q30 10 38 6 L50 11 L46 30 L43 34 L41 64 L19 64 L17 34 L14 30 L10 11 Z M30 9 L30 64',
  'bodice-side': 'M24 8 Q32 14 38 8 L44 30 Q40 40 42 64 L20 64 Q16 40 22 30 Z M32 32 L31 64',
  strapless: 'M14 18 Q22 8 30 17 Q38 8 46 18 L42 64 L18 64 Z',
  'skirt-front': 'M20 5 L40 5 Q47 22 47 40 L48 77 L12 77 L13 40 Q13 22 20 5 Z',
  'skirt-back': 'M20 5 L40 5 Q47 22 47 40 L48 77 L12 77 L13 40 Q13 22 20 5 Z M30 5 L30 77',
  'skirt-side': 'M22 5 L38 5 Q46 22 45 40 L46 77 L14 77 L15 40 Q15 22 22 5 Z',
  sleeve: 'M17 24 Q30 0 43 24 L38 75 L22 75 Z',
  'trousers-front': 'M18 5 L42 5 L46 30 L44 77 L33 77 L30 34 L27 77 L16 77 L14 30 Z',
  'trousers-back': 'M18 5 L42 5 L46 30 L44 77 L33 77 L30 32 L27 77 L16 77 L14 30 Z M30 5 L30 32',
};

/** Folds lie slack, strain is pulled straight and heavy, a gape stands open, a level is dotted. */
const LOOK: Readonly<Record<SignStroke['is'], { width: number; dash?: string; fill?: string }>> = {
  fold: { width: 1.6 },
  strain: { width: 2.4, dash: '5 2' },
  gape: { width: 1.6, fill: 'var(--thread)' },
  level: { width: 1.8, dash: '1.5 2.5' },
};

function pathOf({ is, run: [x1, y1, x2, y2, bend = 0] }: SignStroke): string {
  const [mx, my] = [(x1 + x2) / 2, (y1 + y2) / 2];
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const at = (by: number) => `${mx + ((y2 - y1) / length) * by} ${my - ((x2 - x1) / length) * by}`;
  if (is === 'gape') return `M${x1} ${y1} Q${at(bend * 2)} ${x2} ${y2} Z`;
  return bend === 0 ? `M${x1} ${y1} L${x2} ${y2}` : `M${x1} ${y1} Q${at(bend * 2)} ${x2} ${y2}`;
}

/** The folds or the strain of a sign, small, so that it is found by looking. */
export function SignDrawing({ sign }: { sign: Sign }) {
  return (
    <svg viewBox="0 0 60 82" className="signdrawing" aria-hidden="true">
      <path d={GROUND[sign.view]} fill="none" stroke="var(--soft)" strokeWidth={1} strokeLinejoin="round" />
      {sign.strokes.map((s, i) => {
        const { width, dash, fill } = LOOK[s.is];
        return (
          <path
            key={i}
            d={pathOf(s)}
            fill={fill ?? 'none'}
            stroke="var(--thread)"
            strokeWidth={width}
            strokeDasharray={dash}
            strokeLinecap={dash ? 'butt' : 'round'}
          />
        );
      })}
    </svg>
  );
}

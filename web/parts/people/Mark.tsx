/** Twelve small drawn marks by which the staff are told apart without colour: stitches, as a sampler shows them. */
const STITCHES = [
  'M4 10 H16',
  'M4 4 L16 16 M16 4 L4 16',
  'M10 3 V17 M3 10 H17',
  'M4 14 L10 5 L16 14 Z',
  'M4 4 H16 V16 H4 Z',
  'M10 3 L17 10 L10 17 L3 10 Z',
  'M3 12 L7 6 L11 12 L15 6 L18 11',
  'M4 6 H16 M4 14 H16',
  'M6 3 V17 M14 3 V17',
  'M10 3 A7 7 0 1 0 10.1 3',
  'M3 10 C6 3 9 3 10 10 C11 17 14 17 17 10',
  'M4 16 L16 4 M4 10 L10 4 M10 16 L16 10',
];

/** The mark of one of the staff; nothing for what has none. */
export function Mark({ staffId, x = 0, y = 0 }: { staffId: number; x?: number; y?: number }) {
  const d = STITCHES[staffId % STITCHES.length];
  if (staffId < 0 || !d) return null;
  return (
    <path
      d={d}
      transform={`translate(${x} ${y})`}
      fill="none"
      stroke="var(--chalk)"
      strokeWidth={2.2}
      strokeLinecap="round"
    />
  );
}

import { useState } from 'react';

/** How much of a measuring list the tape goes through by itself: all of it, or what the garment needs. */
export type Walk = 'all' | 'needed';
const KEPT = 'rocchetto.walk';

const read = (): Walk => {
  try {
    return localStorage.getItem(KEPT) === 'needed' ? 'needed' : 'all';
  } catch {
    return 'all';
  }
};

/** The walk of this device, as it was chosen last. */
export function useWalk(): readonly [walk: Walk, choose: (w: Walk) => void] {
  const [walk, setWalk] = useState(read);
  return [
    walk,
    (w) => {
      setWalk(w);
      try {
        localStorage.setItem(KEPT, w);
      } catch {
        // A browser that keeps nothing still measures: it asks again next time.
      }
    },
  ];
}

/** Where a hem is read from the waist. */
export const STATIONS = ['front', 'left', 'right', 'back'] as const;
export type Station = (typeof STATIONS)[number];

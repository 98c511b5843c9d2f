/** What a page may be told has changed. */
export type ChangedWhat = 'client' | 'order' | 'session' | 'staff' | 'house' | 'alterations' | 'diary';

/** Something that changed: what it is, its id, and the version it came to (0 where it has none). */
export type Changed = readonly [what: ChangedWhat, id: string | number, version: number];

/** The version that tells that a client was erased: whatever is kept ready of them goes. */
export const ERASED = -1;

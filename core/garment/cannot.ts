import type { Panel } from '../draft/panel.ts';

/** A step that cannot be followed on a panel, with the reason. */
export class Cannot extends Error {}

/** Whether a panel has all of these edges. */
export const has = (p: Panel, ...ids: readonly string[]) =>
  ids.every((id) => p.edges.some((e) => e.id === id));

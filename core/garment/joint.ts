/** The body line at which a bodice ends, and what hangs from it is sewn on. */
export type Joint = 'waist' | 'underbust';
/** How that line is called where it is spoken of. */
export const JOINT_WORD: Readonly<Record<Joint, string>> = { waist: 'waist', underbust: 'under bust' };

/** What an edge is called that lies on it, and which line that is: for the maker of an edge that meets there. */
export const jointEdge = (
  joint: Joint,
): { readonly name: string; readonly on: { readonly line?: Joint } } => ({
  name: joint === 'waist' ? 'waist' : 'seam under the bust',
  on: joint === 'waist' ? {} : { line: joint },
});

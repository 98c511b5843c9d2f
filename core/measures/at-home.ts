/**
 * What a client can take at home with somebody's help: whole girths and straight lengths whose ends are easy to find,
 * nothing that must be felt for, marked on the back, or touched close (common practice, no source).
 */
const AT_HOME: ReadonlySet<string> = new Set([
  'high-bust',
  'bust',
  'underbust',
  'waist',
  'tummy',
  'hip',
  'waist-to-hip',
  'thigh',
  'knee',
  'calf',
  'ankle',
  'heel-instep',
  'shoulder',
  'across-shoulder',
  'nape-to-waist',
  'upper-arm',
  'elbow',
  'wrist',
  'fist',
  'arm-length',
  'shoulder-to-elbow',
  'waist-to-knee',
  'waist-to-floor',
  'inseam',
  'outseam',
  'stature',
  'head',
  'hip-seated',
  'waist-to-knee-seated',
  'knee-to-footrest',
]);

/** What is asked at home where an order's garment is not described yet. */
export const USUAL_AT_HOME = [
  'bust',
  'underbust',
  'waist',
  'hip',
  'nape-to-waist',
  'arm-length',
  'waist-to-knee',
  'stature',
] as const;

/** Of an order's list what can be asked at home, in its order; the usual ones where nothing of it can. */
export function homeList(list: readonly { readonly id: string }[]): string[] {
  const own = list.map((m) => m.id).filter((id) => AT_HOME.has(id));
  return own.length > 0 ? own : [...USUAL_AT_HOME];
}

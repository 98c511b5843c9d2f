import { HOME_MEASURES } from './guide/home-words.ts';

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

/** Of an order's list what there are words for at home, in its order; the usual ones where nothing of it can be asked. */
export function homeList(list: readonly { readonly id: string }[]): string[] {
  const own = list.map((m) => m.id).filter((id) => Object.hasOwn(HOME_MEASURES, id));
  return own.length > 0 ? own : [...USUAL_AT_HOME];
}

import { z } from 'zod';

/** A language as BCP 47 names it: "fr", "pt-BR". */
export const LanguageTag = z
  .string()
  .max(20)
  .regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, 'This isn’t the sign of a language. Choose one from the list.');

/** A language by its English name, "French"; by its sign where it has none here. */
export function languageName(tag: string): string {
  try {
    return new Intl.DisplayNames(['en'], { type: 'language' }).of(tag) ?? tag;
  } catch {
    return tag;
  }
}

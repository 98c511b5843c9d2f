/**
 * Text as it is searched: lower case, accents and apostrophes gone, letters that do not decompose spelled
 * out, white space single. "Ødegård, Zoë" → "odegard, zoe".
 */
export function foldText(text: string): string {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßæœøłđðþıħ]/g, (ch) => SPELLED[ch] ?? ch)
    .replace(/['’ʼ`]/g, '')
    .replace(/\s+/g, ' ')
    .trim();
}

const SPELLED: Record<string, string> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ı: 'i',
  ħ: 'h',
};

/** The digits of a phone number, so that it is found however it was spaced. */
export const foldPhone = (phone: string): string => phone.replace(/\D/g, '');

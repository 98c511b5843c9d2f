import { createRequire } from 'node:module';
import bidiFactory from 'bidi-js';
import { type Font, openSync } from 'fontkit';

const require = createRequire(import.meta.url);
const file = (family: string, weight: string) =>
  require.resolve(
    `@expo-google-fonts/${family}/${weight}/${family
      .split('-')
      .map((w) => (w.length === 2 ? w.toUpperCase() : w[0]!.toUpperCase() + w.slice(1)))
      .join('')}_${weight}.ttf`,
  );
const family = (name: string, italic = '400Regular') => ({
  normal: file(name, '400Regular'),
  bold: file(name, '700Bold'),
  italics: file(name, italic),
  bolditalics: file(name, '700Bold'),
});

/** The paper's faces: the first is the house's, the others step in for scripts it does not hold. */
export const FACES = {
  Source: family('source-sans-3', '400Regular_Italic'),
  Arabic: family('noto-sans-arabic'),
  Hebrew: family('noto-sans-hebrew'),
  Devanagari: family('noto-sans-devanagari'),
  Thai: family('noto-sans-thai'),
  Han: family('noto-sans-sc'),
  Hangul: family('nanum-gothic'),
} as const;
export type Face = keyof typeof FACES;

/** Which face a script asks for first. Anything else is looked for in all of them. */
const SCRIPTS: readonly (readonly [RegExp, Face])[] = [
  [/\p{Script_Extensions=Arabic}/u, 'Arabic'],
  [/\p{Script_Extensions=Hebrew}/u, 'Hebrew'],
  [/\p{Script_Extensions=Devanagari}/u, 'Devanagari'],
  [/\p{Script_Extensions=Thai}/u, 'Thai'],
  [/\p{Script_Extensions=Han}|\p{Script_Extensions=Hiragana}|\p{Script_Extensions=Katakana}/u, 'Han'],
  [/\p{Script=Hangul}/u, 'Hangul'],
];

/** What the house's face holds without being asked: Latin, punctuation, fractions. No other face is opened for it. */
const PLAIN = /^[\n\r\t\u0020-\u007e\u00a0-\u017f\u2010-\u2044\u2070-\u209f\u2150-\u215f\u2212]*$/;

const opened = new Map<Face, Font>();
const fontOf = (face: Face): Font => {
  let font = opened.get(face);
  if (!font) {
    font = openSync(FACES[face].normal) as Font;
    opened.set(face, font);
  }
  return font;
};
const holds = (face: Face, ch: string) =>
  /\s/.test(ch) || fontOf(face).hasGlyphForCodePoint(ch.codePointAt(0)!);

/** A space at the end of a right-to-left run would be set before its first word; it stands by itself instead. */
const RIGHT_TO_LEFT = new Set<Face>(['Arabic', 'Hebrew']);

/** The face a letter is printed in; null when none holds it. Marks stay with the letter before, and spaces
 * where lines run to the right. */
function faceOf(ch: string, before: Face): Face | null {
  if (/\s/.test(ch)) return RIGHT_TO_LEFT.has(before) ? 'Source' : before;
  if (/\p{M}|\u200c|\u200d/u.test(ch) && holds(before, ch)) return before;
  if (holds('Source', ch)) return 'Source';
  const asked = SCRIPTS.find(([script]) => script.test(ch))?.[1];
  if (asked && holds(asked, ch)) return asked;
  return (Object.keys(FACES) as Face[]).find((face) => holds(face, ch)) ?? null;
}

export interface Run {
  readonly text: string;
  readonly font: Face;
}

const bidi = bidiFactory();

/**
 * Words in the order in which they stand on the line: right-to-left words change places, each keeps its letters
 * as they are read (the shaping of the face turns and joins those).
 */
function inVisualOrder(text: string): string {
  const { levels } = bidi.getEmbeddingLevels(text, 'ltr');
  if (levels.every((l) => l === 0)) return text;
  const words: { text: string; level: number }[] = [];
  let at = 0;
  let space = false;
  for (const ch of text) {
    const level = levels[at]!;
    const last = words.at(-1);
    if (last && last.level === level && space === /\s/.test(ch)) last.text += ch;
    else words.push({ text: ch, level });
    space = /\s/.test(ch);
    at += ch.length;
  }
  const highest = Math.max(...words.map((w) => w.level));
  for (let level = highest; level > 0; level--)
    for (let from = 0; from < words.length; from++) {
      if (words[from]!.level < level) continue;
      let to = from;
      while (to < words.length && words[to]!.level >= level) to++;
      words.splice(from, to - from, ...words.slice(from, to).reverse());
      from = to;
    }
  return words.map((w) => w.text).join('');
}

/** A text as runs of one face each, in the order of the line. A letter that no face holds becomes a box. */
export function runsOf(text: string): readonly Run[] {
  if (PLAIN.test(text)) return [{ text, font: 'Source' }];
  const runs: { text: string; font: Face }[] = [];
  let face: Face = 'Source';
  for (const ch of inVisualOrder(text)) {
    const found = faceOf(ch, face);
    face = found ?? 'Source';
    const out = found ? ch : '□';
    const last = runs.at(-1);
    if (last?.font === face) last.text += out;
    else runs.push({ text: out, font: face });
  }
  return runs;
}

/** The letters of these texts that no face of the house can print, each once. */
export function unprintable(texts: Iterable<string>): string[] {
  const found = new Set<string>();
  for (const text of texts) {
    if (PLAIN.test(text)) continue;
    for (const ch of text) if (!PLAIN.test(ch) && faceOf(ch, 'Source') === null) found.add(ch);
  }
  return [...found];
}

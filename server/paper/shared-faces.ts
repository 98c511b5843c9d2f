import { createRequire } from 'node:module';
import type { Font, Glyph, GlyphRun } from 'fontkit';
import { LRUCache } from 'lru-cache';
import { FACES } from './faces.ts';

const load = createRequire(import.meta.url);
/** The instance that the PDF library reads faces with. */
const kit = load('fontkit') as typeof import('fontkit') & {
  registerFormat: (format: unknown) => void;
};

/**
 * A face in which each word is set once: the shaping of a word is the same wherever it stands. A letter's shape keeps
 * the first character that it was asked for; in a face whose letters stand as they are read (`inOrder`) each is given
 * back its own, so that what is copied out of a document does not hang on what was printed before.
 */
function rememberingWords(font: Font, inOrder: boolean): Font {
  const set = new LRUCache<string, GlyphRun>({ max: 20_000 });
  const layout = font.layout.bind(font);
  const own = (text: string, run: GlyphRun): Glyph[] => {
    const letters = [...text].map((ch) => ch.codePointAt(0)!);
    if (!inOrder || letters.length !== run.glyphs.length) return run.glyphs;
    return run.glyphs.map((glyph, i) =>
      glyph.codePoints.length === 1 && glyph.codePoints[0] === letters[i]
        ? glyph
        : (Object.create(glyph, { codePoints: { value: [letters[i]] } }) as Glyph),
    );
  };
  font.layout = (text, ...more) => {
    if (more[0] !== undefined) return layout(text, ...more);
    let run = set.get(text);
    if (!run) {
      run = layout(text);
      run.glyphs = own(text, run);
      set.set(text, run);
    }
    // Whoever asks scales the places as it likes.
    return Object.assign(Object.create(Object.getPrototypeOf(run)), run, {
      positions: run.positions.map((p) => ({ ...p })),
    }) as GlyphRun;
  };
  return font;
}

const open = new Map<string, Font>();
const opened = (path: string): Font => {
  let font = open.get(path);
  if (!font) {
    font = rememberingWords(kit.openSync(path) as Font, Object.values<string>(FACES.Source).includes(path));
    open.set(path, font);
  }
  return font;
};

const MARK = 'a face that is open';
/** Stands for a face in the place of its file: the format below finds the open face by it. */
const ticket = (path: string) => Buffer.from(`${MARK}:${path}`.padEnd(512, '\0'));

kit.registerFormat(
  class {
    static probe = (file: Uint8Array) => Buffer.from(file.subarray(0, MARK.length)).toString() === MARK;
    constructor({ buffer }: { buffer: Uint8Array }) {
      const path = Buffer.from(buffer)
        .toString()
        .replaceAll('\0', '')
        .slice(MARK.length + 1);
      // biome-ignore lint/correctness/noConstructorReturn: a format’s constructor gives the face
      return opened(path);
    }
  },
);

/**
 * From here on a PDF is handed a face that is open where it asks for a face's file. By itself the library reads and
 * takes apart the file once a document, and for every text of a drawing again.
 */
export function shareFaces(): void {
  const known = new Map(
    Object.values(FACES)
      .flatMap((f) => Object.values(f))
      .map((path) => [path, ticket(path)]),
  );
  const { prototype } = load('pdfkit') as {
    prototype: { font: (src: unknown, ...more: unknown[]) => unknown };
  };
  const { font } = prototype;
  prototype.font = function (src, ...more) {
    return font.call(this, (typeof src === 'string' && known.get(src)) || src, ...more);
  };
}

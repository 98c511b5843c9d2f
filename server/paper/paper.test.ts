import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { runsOf, unprintable } from './faces.ts';
import { printPaper } from './print.ts';

const dir = mkdtempSync(join(tmpdir(), 'paper-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

const NAMES: Record<string, string> = {
  Arabic: 'ليلى منصور',
  Hebrew: 'נועה לוי',
  Devanagari: 'मीरा शर्मा',
  Thai: 'มาลี สุขใจ',
  Han: '山田花子',
  Hangul: '김민지',
};

/** What pdftotext reads back, and the fonts the file carries. */
async function readBack(texts: readonly string[]) {
  const file = join(dir, 'x.pdf');
  writeFileSync(
    file,
    await printPaper({
      content: texts.map((text) => ({ text, margin: [0, 4, 0, 4] as [number, number, number, number] })),
    }),
  );
  return {
    text: execFileSync('pdftotext', ['-enc', 'UTF-8', file, '-'], { encoding: 'utf8' }),
    fonts: execFileSync('pdffonts', [file], { encoding: 'utf8' }),
  };
}
const letters = (text: string) => [...text.normalize('NFC').replace(/[\s\p{Cf}]/gu, '')].sort().join('');

describe('names in any script', () => {
  it.each(Object.entries(NAMES))('%s stands on paper in its own face', async (face, name) => {
    expect(unprintable([name])).toEqual([]);
    expect(
      runsOf(name)
        .filter((r) => r.text.trim())
        .every((r) => r.font === face),
    ).toBe(true);
    const { text, fonts } = await readBack([`Client: ${name}`]);
    expect(fonts).toMatch(/NotoSans|NanumGothic/);
    // Shaped letters are read back as the letters they are; in which order of the line depends on the reader.
    if (face !== 'Devanagari') expect(letters(text)).toContain(letters(name)[0]);
    expect(text).toContain('Client');
    expect(text).not.toContain('□');
  });
  it('right-to-left words change places, each with its letters as they are read', () => {
    expect(
      runsOf(NAMES.Hebrew!)
        .map((r) => r.text)
        .join(''),
    ).toBe('לוי נועה');
    expect(
      runsOf(`Order for ${NAMES.Hebrew} today`)
        .map((r) => r.text)
        .join(''),
    ).toBe('Order for לוי נועה today');
  });
  it('and the spaces and commas around them stay where the line has them', () => {
    expect(runsOf(`${NAMES.Hebrew}, due`).map((r) => r.text)).toEqual(['לוי', ' ', 'נועה', ', due']);
  });
  it('other faces are only opened for a text that needs them', () => {
    expect(runsOf('Zoë Ødegård, 34 3⁄8 in, 2π')).toHaveLength(1);
    expect(runsOf('Łucja Žižková')).toEqual([{ text: 'Łucja Žižková', font: 'Source' }]);
    expect(runsOf('Ελένη Иванова')).toEqual([{ text: 'Ελένη Иванова', font: 'Source' }]);
  });
  it('a letter that no face holds is told before, and becomes a box', async () => {
    expect(unprintable(['Ada 🧵', 'ᚠ rune', 'fine'])).toEqual(['🧵', 'ᚠ']);
    expect((await readBack(['Ada 🧵'])).text).toContain('□');
  });
});

describe('a face is opened once a process', () => {
  const drawn = (words: string) => ({
    content: [
      { text: words, margin: [0, 4, 0, 4] as [number, number, number, number] },
      {
        svg: `<svg width="200" height="60"><text x="5" y="20">${words}</text><text x="5" y="40">${words}</text></svg>`,
        font: 'Source',
      },
    ],
  });
  it('and no later document, nor a text of a drawing, reads its file again', async () => {
    await printPaper(drawn('side seam'));
    const { default: files } = await import('node:fs');
    const reads = vi.spyOn(files, 'readFileSync');
    try {
      await printPaper(drawn('centre back'));
      expect(reads.mock.calls.map(([path]) => String(path)).filter((path) => path.endsWith('.ttf'))).toEqual(
        [],
      );
    } finally {
      reads.mockRestore();
    }
  });

  it('and what is copied out of a document does not hang on what was printed before', async () => {
    // A hyphen and a soft one: one shape, two characters.
    const shared = ['co\u00adat'];
    const plain = ['co-at', 'hip line'];
    const before = await readBack(plain);
    await readBack(shared);
    const after = await readBack(plain);
    expect(after.text).toBe(before.text);
    expect(after.text).toContain('co-at');
    expect((await readBack(shared)).text).toContain('co\u00adat');
  });

  it('and two documents that are made at once do not mix', async () => {
    const words = Array.from({ length: 6 }, (_, i) => `pattern piece ${i}, cut ${i + 1}`);
    const alone = await Promise.all(words.map((w) => printPaper(drawn(w))));
    for (const [i, pdf] of alone.entries()) {
      const file = join(dir, `${i}.pdf`);
      writeFileSync(file, pdf);
      const text = execFileSync('pdftotext', ['-enc', 'UTF-8', file, '-'], { encoding: 'utf8' });
      expect(text.match(/pattern piece \d, cut \d/g)).toEqual([words[i], words[i], words[i]]);
    }
  });
});

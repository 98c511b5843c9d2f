import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { FACES, runsOf } from './faces.ts';
import { paperSize } from './page.ts';
import { shareFaces } from './shared-faces.ts';

pdfmake.setFonts(FACES);
shareFaces();
// Everything the paper needs is here; it never fetches.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.endsWith('.ttf'));

/** Keys whose strings are words to print; all other strings of a definition are instructions. */
const WORDS = new Set(['text', 'stack', 'columns', 'body', 'content', 'ul', 'ol']);

/** Lays the faces over every text of a definition that the house's own face does not hold. */
function dress(node: unknown, words: boolean): unknown {
  if (typeof node === 'string') {
    if (!words) return node;
    const runs = runsOf(node);
    return runs.length === 1 && runs[0]!.font === 'Source' ? runs[0]!.text : { text: runs };
  }
  if (Array.isArray(node)) return node.map((n) => dress(n, words));
  if (typeof node !== 'object' || node === null || Buffer.isBuffer(node)) return node;
  return Object.fromEntries(
    Object.entries(node).map(([key, value]) => {
      if (key === 'table') return [key, dress(value, false)];
      if (key === 'text' && typeof value === 'string') {
        const runs = runsOf(value);
        return [key, runs.length === 1 && runs[0]!.font === 'Source' ? runs[0]!.text : runs];
      }
      return [key, WORDS.has(key) ? dress(value, true) : value];
    }),
  );
}

/** The document as a PDF, on the studio's paper, in the house's face and those that step in for other scripts. */
export async function printPaper(definition: TDocumentDefinitions): Promise<Buffer> {
  const { footer, content, ...rest } = definition;
  const dressed = {
    pageSize: paperSize(),
    pageMargins: [28, 26, 28, 28],
    defaultStyle: { font: 'Source', fontSize: 8.7, lineHeight: 0.92 },
    ...rest,
    content: dress(content, true),
    ...(typeof footer === 'function'
      ? { footer: (...of: Parameters<typeof footer>) => dress(footer(...of), true) }
      : {}),
  } as TDocumentDefinitions;
  return pdfmake.createPdf(dressed).getBuffer();
}

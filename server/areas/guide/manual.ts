import { fileURLToPath } from 'node:url';
import { HELP, type HelpPage, keysOf } from '@rocchetto/contract/help.ts';
import type { Content } from 'pdfmake/interfaces.js';
import sharp from 'sharp';
import { SERVER } from '../../db/where.ts';
import { printPaper } from '../../paper/print.ts';

/** Points across of a picture, and its pixels: enough to read a table's figures on paper. */
const WIDE = 330;
const PIXELS = 1000;

/** A place's picture; without it, where its file is not there, the page is printed all the same. */
async function picture(path: string): Promise<Content> {
  const file = fileURLToPath(new URL(`../${path}`, SERVER));
  const jpeg = await sharp(file)
    .resize({ width: PIXELS })
    .jpeg({ quality: 72 })
    .toBuffer()
    .catch(() => null);
  return jpeg
    ? { image: `data:image/jpeg;base64,${jpeg.toString('base64')}`, width: WIDE, margin: [0, 4, 0, 4] }
    : '';
}

async function entry(h: HelpPage, first: boolean): Promise<Content> {
  const own = keysOf(h.id).filter((k) => k.at);
  return {
    unbreakable: true,
    margin: [0, first ? 6 : 14, 0, 0],
    stack: [
      { text: h.title, bold: true, fontSize: 13 },
      { text: h.purpose, margin: [0, 2, 0, 3] },
      { ol: [...h.steps] },
      ...(own.length > 0
        ? [
            {
              margin: [0, 4, 0, 0],
              text: own.flatMap((k, i) => [
                i === 0 ? 'Keys: ' : '; ',
                { text: k.keys, bold: true },
                ` ${k.does}`,
              ]),
            } as Content,
          ]
        : []),
      await picture(h.picture),
    ],
  };
}

/** The help pages one after another, for an apprentice to read at the table. */
export async function manual(studio: string): Promise<Buffer> {
  return printPaper({
    info: { title: 'Manual', creator: 'Rocchetto' },
    defaultStyle: { font: 'Source', fontSize: 9.5, lineHeight: 1.02 },
    footer: (page, pages) => ({
      text: `${studio} · manual · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 7.5,
    }),
    content: [
      { text: studio, fontSize: 10 },
      { text: 'How we work with Rocchetto', bold: true, fontSize: 18, margin: [0, 0, 0, 4] },
      'One page for each place of the program: what it is for, how it goes, its keys. Help for the page you are on opens with the key ? at any time. The pictures show invented clients.',
      ...(await Promise.all(HELP.map((h, i) => entry(h, i === 0)))),
      { text: 'Keys that work everywhere', bold: true, fontSize: 13, margin: [0, 14, 0, 3] },
      {
        ul: keysOf('').map((k) => ({ text: [{ text: k.keys, bold: true }, ` ${k.does}`] })),
      },
    ],
  });
}

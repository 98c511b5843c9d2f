import { clothWidth, lengthNeeded } from '../garment/cloth.ts';
import { CLOTHS, type ClothId, panelsMark } from '../garment/laid-length.ts';
import { clothFor, clothOf, clothOfPiece } from '../garment/other-cloths.ts';
import { bySide } from '../garment/two-sides.ts';
import { wholePanels } from '../pattern/whole-panels.ts';
import type { Sheet } from '../sheet/compute.ts';
import type { Cm } from '../units/length.ts';
import { type LayPiece, piecesToLay } from './pieces.ts';

/** What is cut from one cloth of a garment. */
export interface OfCloth {
  readonly of: ClothId;
  readonly pieces: readonly LayPiece[];
  /** what its panels are known by */
  readonly panels: string;
  readonly rows: Cm | null;
  readonly width: Cm | null;
}

/** The pieces of a sheet, cloth by cloth; cloths of which nothing is cut are left out. */
export function byCloth(sheet: Sheet): OfCloth[] {
  const { input } = sheet;
  const whole = wholePanels(sheet);
  const sides = bySide({ right: sheet.panels, left: sheet.left });
  return CLOTHS.flatMap((of) => {
    const own = whole.filter((p) => clothOf(input, p) === of);
    if (own.length === 0) return [];
    const width = clothWidth(input, own[0]!);
    const listed = sheet.pieces.filter((p) => clothOfPiece(p) === of);
    return [
      {
        of,
        pieces: piecesToLay(own, clothFor(input, own[0]!)),
        panels: panelsMark(sides.filter((p) => clothOf(input, p) === of)),
        rows: width === null ? null : lengthNeeded(listed, width),
        width,
      },
    ];
  });
}

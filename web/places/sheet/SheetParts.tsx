import { ActionButton } from '../../shared/pieces.tsx';
/** The parts a sheet is read in: what is looked for first, the figures, what the cutter, then the checker needs, and what the client sees. */
export const SHEET_PARTS = ['figures', 'panels', 'cutting', 'checks', 'ease'] as const;
export type SheetPart = (typeof SHEET_PARTS)[number];

const WORD: Readonly<Record<SheetPart, string>> = {
  figures: 'Figures',
  panels: 'Panels',
  cutting: 'Cutting',
  checks: 'Checks',
  ease: 'Ease',
};

/** Which part is asked for; the figures when nothing known is. A panel that is asked for by its name lies among the panels. */
export const partOf = (params: URLSearchParams): SheetPart =>
  SHEET_PARTS.find((p) => p === params.get('part')) ?? (params.has('panel') ? 'panels' : 'figures');

interface Props {
  readonly at: SheetPart;
  /** how many warnings are open */
  readonly open: number;
  /** whether the body may be read, around which the ease is shown */
  readonly body: boolean;
  readonly onGo: (part: SheetPart) => void;
}

/** From part to part of a sheet; where warnings are open it says how many. */
export function SheetParts({ at, open, body, onGo }: Props) {
  return (
    <nav className="asks sheetparts noprint" aria-label="Parts of the sheet">
      {SHEET_PARTS.filter((p) => body || p !== 'ease').map((p) => (
        <ActionButton look="ask" key={p} aria-current={p === at ? 'page' : undefined} onClick={() => onGo(p)}>
          {WORD[p]}
          {p === 'checks' && open > 0 && ` (${open} open)`}
        </ActionButton>
      ))}
    </nav>
  );
}

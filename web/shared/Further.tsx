import { ActionButton } from './pieces.tsx';

/** How many rows a page of any list holds. */
const PAGE = 50;

/** From page to page of a list: on from its last row, and back to its beginning. */
export function Further<Row>({
  rows,
  after,
  onTurn,
}: {
  rows: readonly Row[];
  /** the last row of the page before; undefined on the first */
  after: Row | undefined;
  onTurn: (after: Row | undefined) => void;
}) {
  if (!after && rows.length < PAGE) return null;
  return (
    <div className="row further">
      {after && (
        <ActionButton look="quiet" onClick={() => onTurn(undefined)}>
          First page
        </ActionButton>
      )}
      {rows.length === PAGE && (
        <ActionButton look="quiet" onClick={() => onTurn(rows.at(-1))}>
          Next page
        </ActionButton>
      )}
    </div>
  );
}

import type { SheetView } from '@rocchetto/contract';
import type { SheetUnit } from '@rocchetto/core';
import { Link } from 'react-router';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { Decide } from './Decide.tsx';

interface Props {
  readonly id: number;
  readonly view: SheetView;
  readonly unit: SheetUnit;
  readonly both: boolean;
  readonly open: readonly string[];
  readonly may: boolean;
  /** what of the address asks for: the unit, both units */
  readonly onAsk: (next: Record<string, string | null>) => void;
}

/** Over the sheet: how it stands and its next step, and the ways to take it along. */
export function SheetBar({ id, view, unit, both, open, may, onAsk }: Props) {
  const mayTry = useMay('session.read') && view.spec.readings.length > 0;
  const query = `?unit=${unit}${both ? '&both=1' : ''}&revision=${view.revision}`;
  const file = (kind: string) =>
    `/api/orders/${id}/sheet.${kind}${view.version === 0 ? query.replace(/&revision.*/, '') : query}`;
  return (
    <div className="sheetbar noprint">
      <div className="spread">
        <Status view={view} />
        <div className="row">
          {mayTry && <Link to={`/orders/${id}/what-if`}>Try changes</Link>}
          <Link to={`/orders/${id}/paper-pattern`}>Paper pattern</Link>
          <Link to={`/orders/${id}/cloth`}>Cloth</Link>
          <a href={file('pdf')} target="_blank" rel="noreferrer">
            Print (PDF)
          </a>
          <a href={file('pdf').replace('sheet.pdf', 'bench-cards.pdf')} target="_blank" rel="noreferrer">
            Bench cards (PDF)
          </a>
          <a href={file('pdf').replace('sheet.pdf', 'toile.pdf')} target="_blank" rel="noreferrer">
            Toile (PDF)
          </a>
          <a href={file('csv')} download>
            CSV
          </a>
          <a href={file('json')} download>
            JSON
          </a>
          <ActionButton look="ask" onClick={() => onAsk({ unit: unit === 'cm' ? 'in' : 'cm' })}>
            {unit === 'cm' ? 'Show inches' : 'Show centimetres'}
          </ActionButton>
          <ActionButton look="ask" onClick={() => onAsk({ both: both ? null : '1' })} aria-pressed={both}>
            Both units
          </ActionButton>
        </div>
      </div>
      <Decide id={id} view={view} open={open} may={may} />
      {view.unprintable.length > 0 && (
        <Notice>
          These letters can’t be printed and become a box on paper: {view.unprintable.join(' ')}. Change them
          before printing.
        </Notice>
      )}
    </div>
  );
}

function Status({ view }: { view: SheetView }) {
  const { short } = useDays();
  if (view.status === 'draft')
    return (
      <p>
        <strong>Draft, revision {view.revision}.</strong> Do not cut from it.
      </p>
    );
  return (
    <p>
      <strong className="agreed">
        Revision {view.revision}, {view.status}.
      </strong>{' '}
      Agreed by {view.agreedName} ({view.agreedBy}), {short(view.agreedAt)}
      {view.cutAt && `; cut ${short(view.cutAt)} by ${view.cutBy}`}.
    </p>
  );
}

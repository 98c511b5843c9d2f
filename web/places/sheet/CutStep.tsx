import type { SheetView } from '@rocchetto/contract';
import { Popconfirm } from 'antd';
import { useCutSheetMutation } from '../../api/sheets.ts';
import { Dressed } from '../../shared/Dressed.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

/** The step after agreeing, asked twice: once the cloth is cut, the figures stay. */
export default function CutStep({ id, view }: { id: number; view: SheetView }) {
  const [cut, { error, isLoading }] = useCutSheetMutation();
  return (
    <Dressed>
      <Problem error={error} />
      <div className="row">
        <Popconfirm
          defaultOpen
          placement="bottomLeft"
          title="Mark as cut?"
          description="This locks the figures."
          okText="Mark as cut"
          cancelText="Cancel"
          onConfirm={() => cut({ id, version: view.version })}
        >
          <ActionButton look="plain" busy={isLoading}>
            Mark as cut …
          </ActionButton>
        </Popconfirm>
        <span className="soft">A change now starts revision {view.revision + 1}.</span>
      </div>
    </Dressed>
  );
}

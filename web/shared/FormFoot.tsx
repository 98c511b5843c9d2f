import { ActionButton } from './pieces.tsx';

interface Props {
  /** what is made or changed, with which the buttons are worded: "list", "chart" */
  readonly thing: string;
  readonly ready: boolean;
  readonly busy: boolean;
  /** absent for one that is not kept yet */
  readonly onRemove?: (() => Promise<void>) | undefined;
  readonly onCancel: () => void;
}

/** What ends a form: it is saved, removed, or left as it was. */
export function FormFoot({ thing, ready, busy, onRemove, onCancel }: Props) {
  return (
    <div className="row acts">
      <ActionButton look="take" type="submit" disabled={busy || !ready}>
        Save {thing}
      </ActionButton>
      {onRemove && (
        <ActionButton look="quiet" busy={busy} onClick={() => void onRemove()}>
          Remove {thing}
        </ActionButton>
      )}
      <ActionButton look="quiet" onClick={onCancel}>
        Cancel
      </ActionButton>
    </div>
  );
}

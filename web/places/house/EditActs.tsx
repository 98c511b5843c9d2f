import { ActionButton } from '../../shared/pieces.tsx';

interface Props {
  /** what is edited, with which the buttons are worded: "rates" */
  readonly what: string;
  readonly editing: boolean;
  readonly busy: boolean;
  readonly onEdit: () => void;
  readonly onSave: () => unknown;
  readonly onCancel: () => void;
}

/** Above a table of the house: it is edited, saved, or left as it was. */
export function EditActs({ what, editing, busy, onEdit, onSave, onCancel }: Props) {
  return (
    <div className="row acts">
      {editing ? (
        <>
          <ActionButton look="take" busy={busy} onClick={() => void onSave()}>
            Save {what}
          </ActionButton>
          <ActionButton look="quiet" onClick={onCancel}>
            Cancel
          </ActionButton>
        </>
      ) : (
        <ActionButton look="plain" onClick={onEdit}>
          Edit {what}
        </ActionButton>
      )}
    </div>
  );
}

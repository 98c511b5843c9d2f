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
          <button type="button" className="take" disabled={busy} onClick={() => void onSave()}>
            Save {what}
          </button>
          <button type="button" className="quiet" onClick={onCancel}>
            Cancel
          </button>
        </>
      ) : (
        <button type="button" className="plain" onClick={onEdit}>
          Edit {what}
        </button>
      )}
    </div>
  );
}

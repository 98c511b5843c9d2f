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
      <button type="submit" className="take" disabled={busy || !ready}>
        Save {thing}
      </button>
      {onRemove && (
        <button type="button" className="quiet" disabled={busy} onClick={() => void onRemove()}>
          Remove {thing}
        </button>
      )}
      <button type="button" className="quiet" onClick={onCancel}>
        Cancel
      </button>
    </div>
  );
}

import { allParts, garmentProblems } from '@rocchetto/core';
import { Select } from 'antd';

interface Of {
  readonly part: string;
}

/** The parts that could join these, in the order the house knows them. */
const joining = (parts: readonly Of[]) =>
  allParts().filter((p) => garmentProblems([...parts.map((q) => q.part), p.id]).length === 0);

/** Whether the others are still one garment without this part. */
export const mayTakeOff = (parts: readonly Of[], index: number): boolean =>
  parts.length > 1 && garmentProblems(parts.filter((_, i) => i !== index).map((p) => p.part)).length === 0;

/** A further part of the garment: only those that can be joined to what is there. */
export function MoreParts({ parts, onAdd }: { parts: readonly Of[]; onAdd: (part: string) => void }) {
  const fit = joining(parts);
  if (fit.length === 0) return null;
  return (
    <p className="row">
      <Select
        aria-label="Add part"
        className="wide-select"
        listHeight={360}
        placeholder="Choose a part that joins …"
        value={null}
        onChange={(id: string | null) => id && onAdd(id)}
        options={fit.map((p) => ({ value: p.id, label: p.name }))}
      />
    </p>
  );
}

import { useRuleChangesQuery } from '../../api/hours.ts';
import { useDays } from '../../shared/me.ts';

/** Who changed what the diary goes by, newest first: hours, kinds, wordings, staff at work, rooms, days away. */
export function Changes() {
  const { data: changes = [] } = useRuleChangesQuery();
  const { long } = useDays();
  if (changes.length === 0) return null;
  return (
    <>
      <h2>Changes</h2>
      <details>
        <summary>What was changed, and by whom</summary>
        <ol className="bare">
          {changes.map((c) => (
            <li key={c.at}>
              {long(c.at)}
              {c.by && `, ${c.by}`}
              {c.moved.map((m) => (
                <div key={m.name} className="soft">
                  {m.name}: {m.from && `${m.from} → `}
                  {m.to}
                </div>
              ))}
            </li>
          ))}
        </ol>
      </details>
    </>
  );
}

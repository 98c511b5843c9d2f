import type { RuleChange, RuleTexts } from '@rocchetto/contract';
import { formatSentence } from '@rocchetto/core';
import {
  type RuleCell,
  ruleWords,
  type RuleTable as Table,
  usualIn,
} from '@rocchetto/core/house/rule-tables.ts';
import { useDays, useMe } from '../../shared/me.ts';
import { parsedHint } from '../../shared/parsed-hint.ts';
import { Ledger, SelectField, TextField } from '../../shared/pieces.tsx';

interface Props {
  readonly table: Table;
  /** what is written now */
  readonly texts: RuleTexts;
  /** newest first */
  readonly changes: readonly RuleChange[];
  /** what is wrong with a cell, by its path */
  readonly wrong: ReadonlyMap<string, string>;
  /** null where it is only read */
  readonly onWrite: ((path: string, text: string) => void) | null;
}

/** One table of the house's rules: what holds here, what is usual, and who changed it last. */
export function RuleTable({ table: t, texts, changes, wrong, onWrite }: Props) {
  const { short } = useDays();
  const { unit } = useMe();
  const last = (cells: readonly RuleCell[]) =>
    changes.find((c) => c.moved.some((m) => cells.some((cell) => cell.path === m.path)));
  return (
    <>
      <h2 id={t.id}>{t.name}</h2>
      <p className="soft">{formatSentence(t.says, unit)}</p>
      <div className="scroll">
        <Ledger className="rules">
          <thead>
            <tr>
              <th scope="col">
                <span className="hidden">rule</span>
              </th>
              {t.columns.map((c) => (
                <th key={c} scope="col">
                  {c}
                </th>
              ))}
              {t.columns.length === 1 && <th scope="col">Usual</th>}
              <th scope="col">Changed</th>
            </tr>
          </thead>
          <tbody>
            {t.rows.map(({ label, cells }) => {
              const change = last(cells);
              return (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  {cells.map((cell) => (
                    <td key={cell.path}>
                      {onWrite ? (
                        <CellField
                          cell={cell}
                          text={texts[cell.path] ?? ''}
                          wrong={wrong.get(cell.path)}
                          onWrite={(text) => onWrite(cell.path, text)}
                        />
                      ) : (
                        <CellText cell={cell} text={texts[cell.path]} />
                      )}
                    </td>
                  ))}
                  {t.columns.length === 1 && (
                    <td className="soft">{ruleWords(cells[0]!, usualIn(cells[0]!, unit), unit)}</td>
                  )}
                  <td className="soft">{change && `${short(change.at)}, ${change.by}`}</td>
                </tr>
              );
            })}
          </tbody>
        </Ledger>
      </div>
    </>
  );
}

/** What holds; the house's own figure stands out from the usual one. */
function CellText({ cell, text }: { cell: RuleCell; text: string | undefined }) {
  const { unit } = useMe();
  return text === undefined ? (
    <span className="soft">{ruleWords(cell, cell.usual, unit)}</span>
  ) : (
    <strong>{ruleWords(cell, text, unit)}</strong>
  );
}

interface FieldProps {
  readonly cell: RuleCell;
  readonly text: string;
  readonly wrong: string | undefined;
  readonly onWrite: (text: string) => void;
}

function CellField({ cell, text, wrong, onWrite }: FieldProps) {
  const { unit } = useMe();
  const label = cell.of ? `${cell.name} (${cell.of})` : cell.name;
  if (cell.kind === 'choice')
    return (
      <SelectField aria-label={label} value={text || cell.usual} onChange={(e) => onWrite(e.target.value)}>
        {cell.options?.map((o) => (
          <option key={o.value} value={o.value}>
            {formatSentence(o.label, unit)}
          </option>
        ))}
      </SelectField>
    );
  const said = cell.kind === 'length' ? parsedHint(text, unit) : '';
  return (
    <>
      <TextField
        aria-label={label}
        aria-invalid={wrong !== undefined}
        inputMode={cell.kind === 'number' ? 'numeric' : undefined}
        placeholder={cell.kind === 'length' ? ruleWords(cell, cell.usual, unit) : cell.usual}
        value={text}
        onChange={(e) => onWrite(e.target.value)}
      />
      {wrong ? <div className="wrong-word">{wrong}</div> : said && <div className="soft">{said}</div>}
    </>
  );
}

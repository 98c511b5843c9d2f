import type { SheetUnit } from '@rocchetto/core';
import { ALTERATION_KINDS, type AlterationKind, findKind, isFold } from '@rocchetto/core/alter/index.ts';
import { understood } from '../shared/understood.ts';
import { byMarks, type Draft, wayOf } from './draft.ts';

const GROUPS: Readonly<Record<AlterationKind['group'], string>> = {
  girth: 'width',
  length: 'length',
  edge: 'edges',
  shape: 'shape',
  other: 'other work',
};

interface Props {
  readonly of: Draft;
  readonly unit: SheetUnit;
  readonly parts: readonly string[];
  readonly set: (more: Partial<Draft>) => void;
}

/** What is done, how much and where: each field as the hand writes it. */
export function AskForm({ of: d, unit, parts, set }: Props) {
  const kind = findKind(d.kind);
  return (
    <>
      <div className="fields">
        <div>
          <label htmlFor="alter-kind">What is done</label>
          <select
            id="alter-kind"
            className="field"
            value={d.kind}
            onChange={(e) =>
              set({ kind: e.target.value, direction: findKind(e.target.value)?.directions[0]?.id ?? '' })
            }
          >
            <option value="">choose …</option>
            {Object.entries(GROUPS).map(([group, words]) => (
              <optgroup key={group} label={words}>
                {ALTERATION_KINDS.filter((k) => k.group === group).map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.name}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </div>
        {kind && kind.amount !== 'none' && (
          <Text id="amount" label="How much" of={d.amount} unit={unit} on={(amount) => set({ amount })} />
        )}
      </div>
      {kind && (
        <>
          <Choice
            label="Which way"
            of={kind.directions.map((w) => [w.id, w.word] as const)}
            chosen={d.direction}
            onChoose={(direction) => set({ direction })}
          />
          {isFold({ kind, direction: wayOf(d)! }) && kind.amount !== 'none' && (
            <Choice
              label="The amount is"
              of={[
                ['pinned', 'as pinned: the fold takes twice'],
                ['total', 'the total'],
              ]}
              chosen={d.as}
              onChoose={(as) => set({ as })}
            />
          )}
          <Choice
            label="Side"
            of={[
              ['both', 'both, mirrored'],
              ['left', 'left only'],
              ['right', 'right only'],
            ]}
            chosen={d.side}
            onChoose={(side) => set({ side })}
          />
          {parts.length > 1 && kind.moves.length > 0 && (
            <Choice
              label="On"
              of={[['', 'all of it'] as const, ...parts.map((p) => [p, `the ${p}`] as const)]}
              chosen={d.part}
              onChoose={(part) => set({ part })}
            />
          )}
          {kind.moves.length > 0 && !kind.moves.some((m) => 'face' in m && m.face) && (
            <Choice
              label="At"
              of={[
                ['', 'front and back'],
                ['front', 'the front'],
                ['back', 'the back'],
              ]}
              chosen={d.face}
              onChoose={(face) => set({ face })}
            />
          )}
          {byMarks(d.kind) ? (
            <fieldset>
              <legend>Marks at the hem, each as the pin stands</legend>
              <div className="fields narrow">
                {(['front', 'left', 'right', 'back'] as const).map((at) => (
                  <Text
                    key={at}
                    id={`hem-${at}`}
                    label={at}
                    of={d.hem[at]}
                    unit={unit}
                    on={(t) => set({ hem: { ...d.hem, [at]: t } })}
                  />
                ))}
              </div>
            </fieldset>
          ) : (
            kind.tapers && (
              <details>
                <summary>Where along the seam</summary>
                <p className="soft">
                  From where the seam begins, at the top or the centre. Left empty it runs as is usual.
                </p>
                <div className="fields narrow">
                  <Text
                    id="begins"
                    label="from nothing at"
                    of={d.begins}
                    unit={unit}
                    on={(begins) => set({ begins })}
                  />
                  <Text
                    id="full-from"
                    label="full from"
                    of={d.fullFrom}
                    unit={unit}
                    on={(fullFrom) => set({ fullFrom })}
                  />
                  <Text
                    id="full-to"
                    label="full to"
                    of={d.fullTo}
                    unit={unit}
                    on={(fullTo) => set({ fullTo })}
                  />
                  <Text
                    id="zero"
                    label="to nothing at"
                    of={d.zero}
                    unit={unit}
                    on={(zero) => set({ zero })}
                  />
                </div>
                {kind.moves.some((m) => m.do === 'edge' && m.amount === 'shared') && (
                  <Text
                    id="front-share"
                    label="the front takes, %"
                    of={d.frontShare}
                    on={(t) => set({ frontShare: t.replace(/\D/g, '').slice(0, 3) })}
                  />
                )}
              </details>
            )
          )}
          {kind.note && <p className="soft">{kind.note}</p>}
        </>
      )}
      <div className="fields">
        <Text id="words" label="The client’s words" of={d.words} on={(words) => set({ words })} />
        <Text id="note" label="Note for the bench" of={d.note} on={(note) => set({ note })} />
      </div>
    </>
  );
}

interface TextProps {
  readonly id: string;
  readonly label: string;
  readonly of: string;
  /** the unit of a length when none is written */
  readonly unit?: SheetUnit;
  readonly on: (text: string) => void;
}

function Text({ id, label, of, unit, on }: TextProps) {
  const said = unit ? understood(of, unit) : '';
  return (
    <div>
      <label htmlFor={`alter-${id}`}>
        {label}
        {unit ? `, ${unit}` : ''}
      </label>
      <input
        id={`alter-${id}`}
        className="field"
        autoComplete="off"
        maxLength={500}
        value={of}
        onChange={(e) => on(e.target.value)}
      />
      {said && (
        <div className="soft understood-length" aria-live="polite">
          {said}
        </div>
      )}
    </div>
  );
}

function Choice<T extends string>({
  label,
  of,
  chosen,
  onChoose,
}: {
  label: string;
  of: readonly (readonly [T, string])[];
  chosen: T;
  onChoose: (v: T) => void;
}) {
  return (
    <fieldset className="row choice">
      <legend className="hidden">{label}</legend>
      <span className="soft" aria-hidden="true">
        {label}
      </span>
      {of.map(([id, word]) => (
        <button
          key={id}
          type="button"
          className="ask"
          aria-pressed={chosen === id}
          onClick={() => onChoose(id)}
        >
          {word}
        </button>
      ))}
    </fieldset>
  );
}

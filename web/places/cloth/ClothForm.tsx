import type { ClothWire } from '@rocchetto/contract/cloth-lay.ts';
import { readLength, type SheetUnit, withUnit } from '@rocchetto/core';
import { WAY_NAME, WAYS, type Way } from '@rocchetto/core/lay/ways.ts';
import { Checkbox, Input, InputNumber, Select } from 'antd';
import { memo, useId, useState } from 'react';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

interface Props {
  readonly cloth: ClothWire;
  readonly way: Way;
  /** body lines of the pieces that a repeat may be matched on */
  readonly lines: readonly { readonly id: string; readonly name: string }[];
  readonly unit: SheetUnit;
  readonly onCloth: (cloth: ClothWire) => void;
  readonly onWay: (way: Way) => void;
}

/** The cloth that lies there, and the way it is laid. */
export const ClothForm = memo(function ClothForm({ cloth, way, lines, unit, onCloth, onWay }: Props) {
  const set = (more: Partial<ClothWire>) => onCloth({ ...cloth, ...more });
  return (
    <section aria-labelledby="cloth-head" className="cloth-form">
      <h2 id="cloth-head">The cloth</h2>
      <Length name="Width" value={cloth.width} unit={unit} onSet={(v) => v && set({ width: v })} />
      <Length
        name="Length there is"
        hint="empty: to be bought"
        value={cloth.length}
        unit={unit}
        onSet={(v) => set({ length: v })}
      />
      <Length
        name="Selvedge, each side"
        value={cloth.selvedge}
        unit={unit}
        onSet={(v) => v && set({ selvedge: v })}
      />
      <div>
        <label htmlFor="lay-shrinks">Shrinks when washed, %</label>
        <InputNumber
          id="lay-shrinks"
          min={0}
          max={30}
          value={cloth.shrinks}
          onChange={(v) => set({ shrinks: v ?? 0 })}
        />
      </div>
      <div>
        <label htmlFor="lay-way">It lies</label>
        <Select
          id="lay-way"
          value={way}
          onChange={onWay}
          options={WAYS.map((w) => ({ value: w, label: WAY_NAME[w] }))}
        />
      </div>
      <Checkbox checked={cloth.oneWay} onChange={(e) => set({ oneWay: e.target.checked })}>
        One way only: nap, or a print with an upper end
      </Checkbox>
      <Checkbox checked={cloth.bothSides} onChange={(e) => set({ bothSides: e.target.checked })}>
        Both sides alike
      </Checkbox>
      <Checkbox
        checked={cloth.repeat !== null}
        disabled={lines.length === 0}
        onChange={(e) =>
          set({
            repeat: e.target.checked ? { along: unit === 'cm' ? '10 cm' : '4 in', line: lines[0]!.id } : null,
          })
        }
      >
        Stripe or check to be matched
      </Checkbox>
      {cloth.repeat && (
        <>
          <Length
            name="Repeat along the cloth"
            value={cloth.repeat.along}
            unit={unit}
            onSet={(v) => v && set({ repeat: { ...cloth.repeat!, along: v } })}
          />
          <div>
            <label htmlFor="lay-line">Matched on</label>
            <Select
              id="lay-line"
              value={cloth.repeat.line}
              onChange={(line) => set({ repeat: { ...cloth.repeat!, line } })}
              options={lines.map((l) => ({ value: l.id, label: l.name }))}
            />
          </div>
        </>
      )}
      <Flaws cloth={cloth} unit={unit} onSet={(flaws) => set({ flaws })} />
      <Strips cloth={cloth} unit={unit} onSet={(strips) => set({ strips })} />
    </section>
  );
});

/** A length that counts once it is understood; until then what was typed stays, and what is wrong with it is said. */
function Length({
  name,
  hint,
  value,
  unit,
  onSet,
}: {
  name: string;
  hint?: string;
  value: string | null;
  unit: SheetUnit;
  onSet: (value: string | null) => void;
}) {
  const id = useId();
  const [text, setText] = useState(value ?? '');
  const [before, setBefore] = useState(value);
  // Taken back or filled in from outside.
  if (value !== before) {
    setBefore(value);
    setText(value ?? '');
  }
  const take = () => {
    if (text.trim() === '') return onSet(null);
    const written = withUnit(text, unit);
    if (written && readLength(text, unit).ok && written !== value) onSet(written);
  };
  return (
    <div>
      <label htmlFor={id}>
        {name}
        {hint && <span className="soft"> {hint}</span>}
      </label>
      <LengthInput
        id={id}
        value={text}
        unit={unit}
        onChange={(e) => setText(e.target.value)}
        onBlur={take}
        onPressEnter={take}
      />
    </div>
  );
}

/** Places that cannot be used, each a box: from the cut end and from the first selvedge. */
function Flaws({
  cloth,
  unit,
  onSet,
}: {
  cloth: ClothWire;
  unit: SheetUnit;
  onSet: (flaws: ClothWire['flaws']) => void;
}) {
  const usual = unit === 'cm' ? '5 cm' : '2 in';
  return (
    <fieldset className="flaws">
      <legend>Flaws</legend>
      {cloth.flaws.map((f, i) => {
        const put = (more: Partial<typeof f>) =>
          onSet(cloth.flaws.map((x, k) => (k === i ? { ...x, ...more } : x)));
        return (
          <div key={i} className="flaw-row">
            <Length
              name="from the cut end"
              value={f.along}
              unit={unit}
              onSet={(v) => v && put({ along: v })}
            />
            <Length
              name="from the selvedge"
              value={f.across}
              unit={unit}
              onSet={(v) => v && put({ across: v })}
            />
            <Length name="length" value={f.length} unit={unit} onSet={(v) => v && put({ length: v })} />
            <Length name="width" value={f.width} unit={unit} onSet={(v) => v && put({ width: v })} />
            <ActionButton look="quiet" onClick={() => onSet(cloth.flaws.filter((_, k) => k !== i))}>
              Remove flaw {i + 1}
            </ActionButton>
          </div>
        );
      })}
      {cloth.flaws.length < 20 && (
        <ActionButton
          look="quiet"
          onClick={() =>
            onSet([...cloth.flaws, { along: usual, across: usual, length: usual, width: usual }])
          }
        >
          Mark a flaw
        </ActionButton>
      )}
    </fieldset>
  );
}

/** Cloth to keep for what is not drafted: fringe, binding, straps. */
function Strips({
  cloth,
  unit,
  onSet,
}: {
  cloth: ClothWire;
  unit: SheetUnit;
  onSet: (strips: ClothWire['strips']) => void;
}) {
  const id = useId();
  return (
    <fieldset className="flaws">
      <legend>Strips to keep: fringe, binding, straps</legend>
      {cloth.strips.map((s, i) => {
        const put = (more: Partial<typeof s>) =>
          onSet(cloth.strips.map((x, k) => (k === i ? { ...x, ...more } : x)));
        return (
          <div key={i} className="flaw-row">
            <div>
              <label htmlFor={`${id} name ${i}`}>for</label>
              <Input
                id={`${id} name ${i}`}
                defaultValue={s.name}
                maxLength={80}
                onBlur={(e) => e.target.value.trim() && put({ name: e.target.value.trim() })}
              />
            </div>
            <div>
              <label htmlFor={`${id} way ${i}`}>runs</label>
              <Select
                id={`${id} way ${i}`}
                value={s.way}
                onChange={(way) => put({ way })}
                options={[
                  { value: 'along', label: 'along the cloth' },
                  { value: 'across', label: 'across' },
                  { value: 'bias', label: 'on the bias' },
                ]}
              />
            </div>
            <Length name="length" value={s.length} unit={unit} onSet={(v) => v && put({ length: v })} />
            <Length name="width" value={s.width} unit={unit} onSet={(v) => v && put({ width: v })} />
            <div>
              <label htmlFor={`${id} count ${i}`}>how many</label>
              <InputNumber
                id={`${id} count ${i}`}
                min={1}
                max={40}
                value={s.count}
                onChange={(v) => v && put({ count: v })}
              />
            </div>
            <ActionButton look="quiet" onClick={() => onSet(cloth.strips.filter((_, k) => k !== i))}>
              Remove strip {i + 1}
            </ActionButton>
          </div>
        );
      })}
      {cloth.strips.length < 10 && (
        <ActionButton
          look="quiet"
          onClick={() =>
            onSet([
              ...cloth.strips,
              {
                name: 'fringe',
                length: unit === 'cm' ? '100 cm' : '40 in',
                width: unit === 'cm' ? '8 cm' : '3 in',
                count: 1,
                way: 'along',
              },
            ])
          }
        >
          Add a strip
        </ActionButton>
      )}
    </fieldset>
  );
}

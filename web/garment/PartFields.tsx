import type { PartWire } from '@rocchetto/contract';
import { type Field, type GarmentPart, partFor } from '@rocchetto/core';
import { Checkbox, Form, Input, InputNumber, Select } from 'antd';
import type { Rule } from 'antd/es/form';

interface Props {
  /** its place in the form's list of parts */
  readonly index: number;
  readonly part: GarmentPart;
  /** fields that what it hangs from replaces */
  readonly joined: boolean;
  /** the rule of a length field */
  readonly length: Rule;
}

/** The form of one part, made from its fields. */
export function PartFields({ index, part, joined, length }: Props) {
  const fields = Object.entries(part.fields).filter(([id]) => !(joined && part.joins.givenUp.includes(id)));
  return (
    <>
      <h2>{part.name}</h2>
      <div className="fields">
        {fields.map(([id, field]) => (
          <PartField key={id} index={index} id={id} field={field} length={length} />
        ))}
      </div>
    </>
  );
}

function PartField({ index, id, field, length }: { index: number; id: string; field: Field; length: Rule }) {
  const decides = ['parts', index, field.when?.field ?? ''];
  const said = Form.useWatch(decides) as string | boolean | undefined;
  const hidden = field.when !== undefined && said !== undefined && !field.when.is.includes(said);
  return (
    <Form.Item
      name={['parts', index, id]}
      label={field.label}
      {...(field.hint ? { extra: field.hint } : {})}
      hidden={hidden}
      {...(field.kind === 'length' ? { rules: [length] } : {})}
      {...(field.kind === 'yes-no' ? { valuePropName: 'checked' } : {})}
    >
      {control(field)}
    </Form.Item>
  );
}

function control(field: Field) {
  switch (field.kind) {
    case 'choice':
      return <Select options={field.options.map((o) => ({ value: o.value, label: o.label }))} />;
    case 'yes-no':
      return <Checkbox>yes</Checkbox>;
    case 'count':
      return <InputNumber min={field.min} max={field.max} step={field.step} />;
    default:
      return <Input />;
  }
}

/** What a field says, in words; a length as it was written. */
const words = (field: Field, value: unknown): string => {
  if (value === null || value === undefined || value === '') return '—';
  if (field.kind === 'choice') return field.options.find((o) => o.value === value)?.label ?? String(value);
  if (field.kind === 'yes-no') return value ? 'yes' : 'no';
  return String(value);
};

/** A part of a brief as words, one line: what is asked of it and what it says. */
export function partWords(wire: PartWire, joined: boolean): string {
  const part = partFor(wire.part);
  return Object.entries(part.fields)
    .filter(([id, f]) => !(joined && part.joins.givenUp.includes(id)) && askedNow(f, wire))
    .map(([id, f]) => `${f.label.toLowerCase()}: ${words(f, wire[id])}`)
    .join('; ');
}

const askedNow = (f: Field, wire: PartWire) =>
  !f.when || f.when.is.includes(wire[f.when.field] as string | boolean);

/** Whether a part hangs from another of these. */
export const isJoined = (parts: readonly Pick<PartWire, 'part'>[], index: number): boolean =>
  partFor(parts[index]!.part).joins.takes.some(({ edge }) =>
    parts.some((p, i) => i !== index && partFor(p.part).joins.gives.includes(edge)),
  );

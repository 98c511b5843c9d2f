import { type Field, formatSentence, type GarmentPart, type SheetUnit } from '@rocchetto/core';
import { Checkbox, Form, Input, InputNumber, Select } from 'antd';
import type { Rule } from 'antd/es/form';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

interface Props {
  /** its place in the form's list of parts */
  readonly index: number;
  readonly part: GarmentPart;
  /** fields that what it hangs from replaces */
  readonly joined: boolean;
  /** the rule of a length field */
  readonly length: Rule;
  /** the unit of a length without one */
  readonly unit: SheetUnit;
  /** takes the part out of the brief; undefined where the others need it */
  readonly onTakeOff?: (() => void) | undefined;
}

/** The form of one part, made from its fields. */
export function PartFields({ index, part, joined, length, unit, onTakeOff }: Props) {
  const fields = Object.entries(part.fields).filter(([id]) => !(joined && part.joins.givenUp.includes(id)));
  return (
    <>
      <div className="part-head">
        <h2>{part.name}</h2>
        {onTakeOff && (
          <ActionButton look="quiet" aria-label={`Remove the ${part.name}`} onClick={onTakeOff}>
            Remove
          </ActionButton>
        )}
      </div>
      <div className="fields">
        {fields.map(([id, field]) => (
          <PartField key={id} index={index} id={id} field={field} length={length} unit={unit} />
        ))}
      </div>
    </>
  );
}

function PartField({
  index,
  id,
  field,
  length,
  unit,
}: {
  index: number;
  id: string;
  field: Field;
  length: Rule;
  unit: SheetUnit;
}) {
  const decides = ['parts', index, field.when?.field ?? ''];
  const said = Form.useWatch(decides) as string | boolean | undefined;
  const hidden = field.when !== undefined && said !== undefined && !field.when.is.includes(said);
  return (
    <Form.Item
      name={['parts', index, id]}
      label={formatSentence(field.label, unit)}
      {...(field.hint ? { extra: formatSentence(field.hint, unit) } : {})}
      hidden={hidden}
      {...(field.kind === 'length' ? { rules: [length] } : {})}
      {...(field.kind === 'yes-no' ? { valuePropName: 'checked' } : {})}
    >
      {control(field, unit)}
    </Form.Item>
  );
}

function control(field: Field, unit: SheetUnit) {
  switch (field.kind) {
    case 'length':
      return <LengthInput unit={unit} />;
    case 'choice':
      return (
        <Select
          options={field.options.map((o) => ({ value: o.value, label: formatSentence(o.label, unit) }))}
        />
      );
    case 'yes-no':
      return <Checkbox>yes</Checkbox>;
    case 'count':
      return <InputNumber min={field.min} max={field.max} step={field.step} />;
    default:
      return <Input />;
  }
}

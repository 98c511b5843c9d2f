import type { SheetUnit } from '@rocchetto/core';
import { Form, Input, InputNumber } from 'antd';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { ClothTraits } from './ClothTraits.tsx';
import { StretchInput } from './StretchInput.tsx';

interface Props {
  readonly unit: SheetUnit;
  /** where in the form the cloth stands */
  readonly at: readonly (string | number)[];
  readonly called: string;
}

/** What is asked of a cloth, be it the order's own or another. */
export function ClothFields({ unit, at, called }: Props) {
  const length = useLengthRule(unit);
  return (
    <>
      <Form.Item name={[...at, 'name']} label={called}>
        <Input maxLength={200} />
      </Form.Item>
      <Form.Item name={[...at, 'width']} label="Width" rules={[length]}>
        <LengthInput unit={unit} placeholder={unit === 'in' ? 'e.g. 60' : 'e.g. 150'} />
      </Form.Item>
      <Form.Item name={[...at, 'weight']} label="Weight, g/m²">
        <InputNumber min={1} max={3000} />
      </Form.Item>
      <Form.Item name={[...at, 'stretch']} label="Stretch around">
        <StretchInput />
      </Form.Item>
      <Form.Item name={[...at, 'stretchAlong']} label="Stretch lengthwise">
        <StretchInput />
      </Form.Item>
      <Form.Item name={[...at, 'underlining']} label="Underlining" extra="leave empty if not mounted">
        <Input maxLength={200} />
      </Form.Item>
      <ClothTraits at={at} />
    </>
  );
}

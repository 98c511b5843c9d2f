import type { PartWire } from '@rocchetto/contract';
import { partFor, type SheetUnit } from '@rocchetto/core';
import { Form, Input, Select } from 'antd';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { LengthInput } from '../../shared/LengthInput.tsx';

/** A second cloth, and which parts of the garment are cut from it. */
export function SecondCloth({ unit }: { readonly unit: SheetUnit }) {
  const length = useLengthRule(unit);
  const parts = (Form.useWatch('parts', { preserve: true }) ?? []) as readonly PartWire[];
  const keys = new Map(parts.map((p) => [partFor(p.part).key, partFor(p.part).name]));
  return (
    <>
      <Form.Item name={['second', 'name']} label="Second cloth" extra="leave empty where there is one cloth">
        <Input maxLength={200} />
      </Form.Item>
      <Form.Item name={['second', 'width']} label="Its width" rules={[length]}>
        <LengthInput unit={unit} />
      </Form.Item>
      <Form.Item name={['second', 'of']} label="Cut from it">
        <Select
          mode="multiple"
          options={[
            ...[...keys].map(([value, label]) => ({ value, label })),
            { value: 'yoke', label: 'what lies above a seam across' },
          ]}
        />
      </Form.Item>
    </>
  );
}

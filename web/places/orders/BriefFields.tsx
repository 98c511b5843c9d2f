import { FIT_CLASSES, SCHOOL_NAME, SCHOOLS, type SheetUnit } from '@rocchetto/core';
import { Checkbox, Form, Input, Select } from 'antd';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { ClothFields } from './ClothFields.tsx';
import { OtherCloths } from './OtherCloths.tsx';
import { OwnRules } from './OwnRules.tsx';

/** What the brief asks of every garment: how close, its cloth, what it is worn with. */
export function BriefFields({ unit }: { readonly unit: SheetUnit }) {
  const length = useLengthRule(unit);
  return (
    <>
      <h2>Fit</h2>
      <div className="fields">
        <Form.Item name="fit" label="Fit">
          <Select options={FIT_CLASSES.map((f) => ({ value: f, label: f.replace('-', ' ') }))} />
        </Form.Item>
        <Form.Item name="school" label="Ease chart">
          <Select options={SCHOOLS.map((s) => ({ value: s, label: SCHOOL_NAME[s] }))} />
        </Form.Item>
        <Form.Item name="letOut" valuePropName="checked" label="Room to let out">
          <Checkbox>wider side seams</Checkbox>
        </Form.Item>
      </div>
      <h2>Cloth and lining</h2>
      <div className="fields">
        <ClothFields unit={unit} at={['cloth']} called="Cloth" />
        <Form.Item name="lining" label="Lining" extra="leave empty if unlined">
          <Input />
        </Form.Item>
      </div>
      <OtherCloths unit={unit} />
      <OwnRules unit={unit} />
      <h2>Worn with</h2>
      <div className="fields">
        <Form.Item name="beneath" label="Worn beneath">
          <Input />
        </Form.Item>
        <Form.Item name="shoes" label="Shoes">
          <Input />
        </Form.Item>
        <Form.Item name="heel" label="Heel" rules={[length]}>
          <LengthInput unit={unit} />
        </Form.Item>
        <Form.Item name="note" label="Note" className="full">
          <Input.TextArea rows={2} maxLength={2000} />
        </Form.Item>
      </div>
    </>
  );
}

import type { BriefWire } from '@rocchetto/contract';
import { ALLOWANCE_IDS, ALLOWANCE_NAME, type EaseZone, type SheetUnit } from '@rocchetto/core';
import { Checkbox, Form, Input } from 'antd';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { writtenOwn } from './written-brief.ts';

/** Places whose ease is often agreed by itself; a file may give any. */
const ZONES: readonly (readonly [zone: EaseZone, label: string])[] = [
  ['bust', 'Ease at the bust'],
  ['waist', 'Ease at the waist'],
  ['hip', 'Ease at the hip'],
  ['upper-arm', 'Ease at the upper arm'],
];

/** Allowances, hems and ease of this order alone: what is left empty goes by the studio's rules. */
export function OwnRules({ unit }: { readonly unit: SheetUnit }) {
  const length = useLengthRule(unit);
  const has = Form.useWatch('own', { preserve: true }) as BriefWire['own'];
  const none = Form.useWatch(['own', 'none']) as boolean | undefined;
  const field = (name: readonly string[], label: string) => (
    <Form.Item
      key={label}
      name={['own', ...name]}
      label={label}
      rules={[length]}
      hidden={none === true && name[0] === 'allowances'}
    >
      <LengthInput unit={unit} />
    </Form.Item>
  );
  return (
    <details className="own-rules" open={has !== undefined && writtenOwn(has, unit) !== undefined}>
      <summary>Allowances and ease of this order alone</summary>
      <p className="soft">
        What is left empty goes by the studio’s rules. The sheet says which are this order’s own.
      </p>
      <div className="fields">
        <Form.Item name={['own', 'none']} valuePropName="checked" label="No allowances">
          <Checkbox>cut on the sewing lines</Checkbox>
        </Form.Item>
        <Form.Item
          name={['own', 'hemTwice']}
          valuePropName="checked"
          label="Hems turned twice"
          hidden={none === true}
        >
          <Checkbox>twice their depth</Checkbox>
        </Form.Item>
        <Form.Item name={['own', 'hemFaced']} valuePropName="checked" label="Hems and vents faced">
          <Checkbox>a facing instead of a turned hem</Checkbox>
        </Form.Item>
        {ALLOWANCE_IDS.map((id) => field(['allowances', id], `Allowance, ${ALLOWANCE_NAME[id]}`))}
        {field(['girths'], 'Ease of every girth')}
        {ZONES.map(([zone, label]) => field(['ease', zone], label))}
        <Form.Item
          name={['own', 'why']}
          label="Why this ease"
          extra="one reason for the garment"
          className="full"
        >
          <Input maxLength={200} />
        </Form.Item>
      </div>
    </details>
  );
}

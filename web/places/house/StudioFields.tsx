import { PAPERS } from '@rocchetto/contract/house.ts';
import { Checkbox, Form, Input, Select } from 'antd';
import type { ReactNode } from 'react';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';

const ZONES = Intl.supportedValuesOf('timeZone');
export const UNIT_WORD = { cm: 'centimetres', in: 'inches' } as const;
export const DATE_WORD = { dmy: '20/12/2026 (day first)', mdy: '12/20/2026 (month first)' } as const;
export const WEEK_WORD = { 1: 'Monday', 7: 'Sunday' } as const;
export const PAPER_WORD = { A4: 'A4', Letter: 'US Letter' } as const;

/** What a studio is asked once, and can change at any time: how it is called and reached, and what it writes in; `children` stand beside the unit. */
export function StudioFields({ children }: { readonly children?: ReactNode }) {
  return (
    <>
      <div className="fields">
        <Form.Item
          name="studio"
          label="Studio name"
          rules={[{ required: true, whitespace: true, message: 'Enter the studio’s name.' }, { max: 120 }]}
        >
          <Input autoComplete="organization" />
        </Form.Item>
        <Form.Item name="phone" label="Phone (optional)" rules={[{ max: 60 }]}>
          <Input type="tel" autoComplete="off" />
        </Form.Item>
        <Form.Item
          name="email"
          label="E-mail (optional)"
          rules={[{ type: 'email', message: 'This isn’t an e-mail address. Check it.' }]}
        >
          <Input type="email" autoComplete="off" />
        </Form.Item>
        <Form.Item name="address" label="Address (optional)" rules={[{ max: 300 }]}>
          <Input autoComplete="off" />
        </Form.Item>
      </div>
      <div className="fields">
        <Form.Item name="unit" label="Unit">
          <Select options={Object.entries(UNIT_WORD).map(([value, label]) => ({ value, label }))} />
        </Form.Item>
        {children}
        <Form.Item name="paper" label="Paper">
          <Select options={PAPERS.map((value) => ({ value, label: PAPER_WORD[value] }))} />
        </Form.Item>
        <Form.Item name="dateOrder" label="Dates">
          <Select options={Object.entries(DATE_WORD).map(([value, label]) => ({ value, label }))} />
        </Form.Item>
        <Form.Item name="currency" label="Currency sign (optional)" rules={[{ max: 8 }]}>
          <Input autoComplete="off" placeholder="e.g. € or $" />
        </Form.Item>
        <Form.Item name="weekStarts" label="Week starts on">
          <Select options={([1, 7] as const).map((value) => ({ value, label: WEEK_WORD[value] }))} />
        </Form.Item>
        <Form.Item
          name="timeZone"
          label="Time zone"
          extra="decides which day “today” is, on screen and on paper"
        >
          <ChoiceByTyping
            options={['UTC', ...ZONES].map((z) => ({ value: z, label: z.replaceAll('_', ' ') }))}
          />
        </Form.Item>
      </div>
      <Form.Item
        name="ownCheck"
        valuePropName="checked"
        extra="For a sole dressmaker. Off, someone else must check each alteration; on, the record says who checked their own work."
      >
        <Checkbox>A person may check their own work</Checkbox>
      </Form.Item>
    </>
  );
}

/** Labels of the settings, for comparing two texts. */
export const STUDIO_LABELS = {
  studio: 'Studio name',
  address: 'Address',
  phone: 'Phone',
  email: 'E-mail',
  unit: 'Unit',
  paper: 'Paper',
  dateOrder: 'Dates',
  currency: 'Currency sign',
  weekStarts: 'Week starts on',
  timeZone: 'Time zone',
  ownCheck: 'Own checks',
} as const;

import { SessionWrite } from '@rocchetto/contract';
import {
  CORDS,
  LEVEL_RULES,
  SCHOOL_CHOICES,
  SCHOOL_MATTERS,
  USUAL_LEVELS,
  USUAL_SCHOOLS,
  withUnit,
} from '@rocchetto/core';
import { Checkbox, Form, Input, Radio, Select } from 'antd';
import { useEffect, useState } from 'react';
import { useHouseRulesQuery } from '../../api/house.ts';
import { useStaffQuery } from '../../api/staff.ts';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import type { Ground } from './ground.ts';
import { useWalk, type Walk } from './useWalk.ts';

const options = (rules: readonly string[]) => rules.map((r) => ({ value: r, label: r }));

/** Before the tape: who measures and who writes, over what, in which shoes, and by which rules. */
export function SessionStart({ ground, onBegin }: { ground: Ground; onBegin: (s: SessionWrite) => void }) {
  const me = useMe();
  const { data: staff = [] } = useStaffQuery();
  const { data: rules } = useHouseRulesQuery();
  const [form] = Form.useForm();
  // What the house has set comes a moment later than the form; what a hand chose meanwhile stays.
  useEffect(() => {
    if (!rules || form.isFieldsTouched()) return;
    const { schools, levels } = rules.rules;
    form.setFieldsValue({
      schools: { ...USUAL_SCHOOLS, ...schools },
      waistRule: levels?.waist ?? USUAL_LEVELS.waist,
      hipRule: levels?.hip ?? USUAL_LEVELS.hip,
    });
  }, [rules, form]);
  const length = useLengthRule(me.unit);
  const [wrong, setWrong] = useState('');
  const { brief, list } = ground;
  const [walk, setWalk] = useWalk();
  const parts = brief?.parts ?? [];
  const inches = parts.some((p) => Object.values(p).some((v) => typeof v === 'string' && / in$|"$/.test(v)));
  const cms = parts.some((p) => Object.values(p).some((v) => typeof v === 'string' && /(cm|mm| m)$/.test(v)));
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      initialValues={{
        measurer: me.name,
        scribe: '',
        beneath: brief?.beneath ?? '',
        heel: brief?.heel ?? '',
        posture: '',
        waistRule: rules?.rules.levels?.waist ?? USUAL_LEVELS.waist,
        hipRule: rules?.rules.levels?.hip ?? USUAL_LEVELS.hip,
        unit: inches === cms ? me.unit : inches ? 'in' : 'cm',
        guardian: ground.guardian,
        schools: { ...USUAL_SCHOOLS, ...rules?.rules.schools },
        seated: false,
        cords: [],
        changed: '',
      }}
      onFinish={(v) => {
        const heel = withUnit(v.heel, me.unit);
        const session = SessionWrite.safeParse({
          ...v,
          scribe: v.scribe ?? '',
          heel,
          id: crypto.randomUUID(),
          clientId: ground.clientId,
          orderId: ground.orderId,
          at: new Date().toISOString(),
          // Taking up the tape says so; the sentence stands above the button.
          consent: true,
        });
        if (session.success) onBegin(session.data);
        else setWrong(session.error.issues[0]!.message);
      }}
    >
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      <div className="fields">
        <Form.Item name="measurer" label="Measured by">
          <Select
            options={staff
              .filter((s) => s.role === 'principal' || s.role === 'fitter')
              .map((s) => ({ value: s.name, label: s.name }))}
          />
        </Form.Item>
        <Form.Item name="unit" label="Tape in">
          <Radio.Group
            options={[
              { value: 'cm', label: 'cm' },
              { value: 'in', label: 'inches' },
            ]}
          />
        </Form.Item>
        {list.some((m) => !m.needed) && (
          <Form.Item label="Measure">
            <Radio.Group
              value={walk}
              onChange={(e) => setWalk(e.target.value as Walk)}
              options={[
                { value: 'all', label: `everything (${list.length})` },
                { value: 'needed', label: `only what is needed (${list.filter((m) => m.needed).length})` },
              ]}
            />
          </Form.Item>
        )}
        <Form.Item name="beneath" label="Worn beneath">
          <Input maxLength={200} />
        </Form.Item>
        <Form.Item name="heel" label="Heel height" rules={[length]}>
          <LengthInput unit={me.unit} placeholder={me.unit === 'in' ? 'e.g. 1 1/2 in' : 'e.g. 4 cm'} />
        </Form.Item>
        {ground.minor && (
          <Form.Item
            name="guardian"
            label="Guardian present"
            rules={[
              {
                required: true,
                whitespace: true,
                message: 'The client is under age. Enter the guardian who is present.',
              },
            ]}
          >
            <Input maxLength={200} />
          </Form.Item>
        )}
        <Form.Item
          name="changed"
          label="Changes since last time"
          extra="as the client reports, including pregnancy"
        >
          <Input maxLength={300} />
        </Form.Item>
      </div>
      <details>
        <summary>More: who writes, posture, seated, cords, ways of measuring</summary>
        <div className="fields">
          <Form.Item name="scribe" label="Written down by (optional)">
            <Select allowClear options={staff.map((s) => ({ value: s.name, label: s.name }))} />
          </Form.Item>
          <Form.Item name="posture" label="Posture, stance">
            <Input maxLength={500} />
          </Form.Item>
          <Form.Item name="seated" valuePropName="checked" label="Measured">
            <Checkbox>seated</Checkbox>
          </Form.Item>
          <Form.Item name="cords" label="Marked with a cord" className="full">
            <Checkbox.Group options={CORDS.map((c) => ({ value: c, label: c }))} />
          </Form.Item>
          <Form.Item name="waistRule" label="Waist taken">
            <Select options={options(LEVEL_RULES.waist.of)} />
          </Form.Item>
          <Form.Item name="hipRule" label="Hip taken">
            <Select options={options(LEVEL_RULES.hip.of)} />
          </Form.Item>
          {SCHOOL_MATTERS.map((matter) => (
            <Form.Item key={matter} name={['schools', matter]} label={SCHOOL_CHOICES[matter].name}>
              <Select options={options(SCHOOL_CHOICES[matter].of)} />
            </Form.Item>
          ))}
        </div>
      </details>
      <p className="soft">
        By starting you confirm that the client agreed to be touched and measured. Any measurement may be
        declined.
      </p>
      <ActionButton look="take" type="submit" autoFocus>
        Start measuring
      </ActionButton>
    </Form>
  );
}

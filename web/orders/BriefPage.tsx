import './orders.css';
import { BriefWire } from '@rocchetto/contract';
import { FIT_CLASSES, SCHOOL_NAME, SCHOOLS } from '@rocchetto/core';
import { Button, Checkbox, Form, Input, InputNumber, Radio, Select } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { problemOf } from '../api/problem.ts';
import { useMay } from '../app/me.ts';
import { Differences } from '../shared/Differences.tsx';
import { Notice } from '../shared/Notice.tsx';
import { Place } from '../shared/Place.tsx';
import { Problem } from '../shared/Problem.tsx';
import { Thread } from '../thread/Thread.tsx';
import { useChangeBriefMutation, useOrderQuery } from './api.ts';
import { useLengthRule } from './useLengthRule.ts';

type Skirt = NonNullable<BriefWire['parts'][number]>;
interface Values extends Omit<BriefWire, 'parts'> {
  readonly skirt: Skirt;
}

const EMPTY = BriefWire.parse({
  parts: [{ part: 'straight-skirt', hemOpening: { kind: 'vent', height: '18 cm' } }],
});

/** A length left without a unit gets the one chosen on the page; an empty one is none. */
const withUnit = (text: string | null | undefined, unit: string): string | null => {
  const bare = (text ?? '').trim();
  return bare === '' ? null : /[a-z"″]/i.test(bare) ? bare : `${bare} ${unit}`;
};

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const [save, saving] = useChangeBriefMutation();
  const [mine, setMine] = useState<BriefWire | null>(null);
  const [unit, setUnit] = useState<'cm' | 'in'>('cm');
  const [wrong, setWrong] = useState<string[]>([]);
  const mayWrite = useMay('sheet.write');
  const navigate = useNavigate();
  const length = useLengthRule(unit);
  const [form] = Form.useForm<Values>();
  const opening = Form.useWatch(['skirt', 'hemOpening', 'kind'], form);
  // The version the form was opened on; another hand's save is told, and what is being typed stays.
  const [openedOn, setOpenedOn] = useState<number | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a version saved elsewhere is shown while nothing is typed
  useEffect(() => {
    if (openedOn === null) form.resetFields();
  }, [order?.version]);
  if (!order) return <Place title="Brief" waiting={{ what: 'the brief', error, again: refetch }} />;
  const base = openedOn ?? order.version;
  const brief =
    order.brief && order.brief.parts.length > 0
      ? order.brief
      : { ...EMPTY, ...(order.brief ?? {}), parts: EMPTY.parts };
  const { parts, ...rest } = brief;
  const send = async (wanted: BriefWire, version: number) => {
    setMine(wanted);
    const done = await save({ id, version, brief: wanted });
    if ('data' in done && done.data)
      navigate(done.data.stage === 'brief' ? `/orders/${id}/measure` : `/orders/${id}/sheet`);
  };
  const finish = ({ skirt, ...v }: Values) => {
    const u = (text: string | null | undefined) => withUnit(text, unit);
    const parsed = BriefWire.safeParse({
      ...v,
      cloth: {
        ...v.cloth,
        width: u(v.cloth.width),
        weight: v.cloth.weight ?? null,
        stretch: v.cloth.stretch ?? 0,
      },
      heel: u(v.heel),
      parts: [
        {
          ...skirt,
          part: 'straight-skirt',
          length: u(skirt.length),
          band: u(skirt.band) ?? '0 cm',
          overlap: u(skirt.overlap) ?? '0 cm',
          taper: u(skirt.taper) ?? '0 cm',
          hemOpening: { kind: skirt.hemOpening.kind, height: u(skirt.hemOpening.height) ?? '0 cm' },
        },
      ],
    });
    setWrong(parsed.success ? [] : parsed.error.issues.map((i) => i.message));
    if (parsed.success) void send(parsed.data, base);
  };
  return (
    <Place
      title="Brief"
      thread={<Thread order={order} here="brief" />}
      margin={
        <>
          <section>
            <h2>Why first</h2>
            <p className="soft">
              The style decides which measurements are needed. A straight skirt asks for waist, hip, its level
              and the hem; a client need not stand for more.
            </p>
          </section>
          <section>
            <h2>Room to walk</h2>
            <p className="soft">
              Below the knee a hem under 96 cm [37 3⁄4 in] needs a vent, a slit or a pleat.
            </p>
          </section>
          <Link to={`/orders/${id}`}>Back to the order</Link>
        </>
      }
    >
      <h1>Brief: {order.what}</h1>
      <p className="soft units">
        Lengths may be written as 62, 24 1⁄2 in or 620 mm; without a unit they are{' '}
        <Radio.Group
          aria-label="Unit of lengths without one"
          value={unit}
          onChange={(e) => setUnit(e.target.value)}
          options={[
            { value: 'cm', label: 'cm' },
            { value: 'in', label: 'in' },
          ]}
        />
      </p>
      {problemOf(saving.error).status === 409 ? (
        <Differences
          error={saving.error}
          labels={{ brief: 'Brief' }}
          keepMine={(theirs) => mine && send(mine, Number(theirs.version))}
          takeTheirs={() => {
            saving.reset();
            refetch().then(() => {
              setOpenedOn(null);
              form.resetFields();
            });
          }}
        />
      ) : (
        <Problem error={saving.error} />
      )}
      {wrong.length > 0 && (
        <Notice is="bad">
          {wrong.map((w) => (
            <p key={w}>{w}</p>
          ))}
        </Notice>
      )}
      {openedOn !== null && order.version > openedOn && (
        <Notice>
          Somebody has just saved this order. What you write stays; on saving you will see both.
        </Notice>
      )}
      <Form
        form={form}
        onValuesChange={() => openedOn === null && setOpenedOn(order.version)}
        layout="vertical"
        requiredMark={false}
        disabled={!mayWrite || order.stage === 'cut'}
        initialValues={{ ...rest, skirt: parts[0] }}
        onFinish={finish}
      >
        <h2>The skirt</h2>
        <div className="fields">
          <Form.Item name={['skirt', 'length']} label="Length wanted, waist to hem" rules={[length]}>
            <Input placeholder="for example 62" />
          </Form.Item>
          <Form.Item
            name={['skirt', 'band']}
            label="Waistband, finished width"
            extra="0 for a faced waist"
            rules={[length]}
          >
            <Input />
          </Form.Item>
          <Form.Item name={['skirt', 'overlap']} label="Overlap at the closing" rules={[length]}>
            <Input />
          </Form.Item>
          <Form.Item
            name={['skirt', 'taper']}
            label="Taper, per side edge"
            extra="0 to 2.5 cm"
            rules={[length]}
          >
            <Input />
          </Form.Item>
          <Form.Item name={['skirt', 'hemOpening', 'kind']} label="At the hem, centre back">
            <Select
              options={[
                { value: 'none', label: 'closed' },
                { value: 'vent', label: 'vent' },
                { value: 'slit', label: 'slit' },
              ]}
            />
          </Form.Item>
          <Form.Item
            name={['skirt', 'hemOpening', 'height']}
            label="Height of vent or slit"
            hidden={opening === 'none'}
            rules={[length]}
          >
            <Input />
          </Form.Item>
          <Form.Item name={['skirt', 'zip']} label="Zip">
            <Select
              options={[
                { value: 'centre-back', label: 'centre back' },
                { value: 'left-side', label: 'left side' },
              ]}
            />
          </Form.Item>
        </div>
        <h2>Fit</h2>
        <div className="fields">
          <Form.Item name="fit" label="How close">
            <Select options={FIT_CLASSES.map((f) => ({ value: f, label: f.replace('-', ' ') }))} />
          </Form.Item>
          <Form.Item name="school" label="Ease by">
            <Select options={SCHOOLS.map((s) => ({ value: s, label: SCHOOL_NAME[s] }))} />
          </Form.Item>
          <Form.Item name="letOut" valuePropName="checked" label="Later letting out">
            <Checkbox>wider side seams</Checkbox>
          </Form.Item>
        </div>
        <h2>Cloth and lining</h2>
        <div className="fields">
          <Form.Item name={['cloth', 'name']} label="Cloth">
            <Input />
          </Form.Item>
          <Form.Item name={['cloth', 'width']} label="Width" rules={[length]}>
            <Input placeholder="for example 150" />
          </Form.Item>
          <Form.Item name={['cloth', 'weight']} label="Weight, g/m²">
            <InputNumber min={1} max={3000} />
          </Form.Item>
          <Form.Item name={['cloth', 'stretch']} label="Stretch around, %" extra="a plain woven: 0">
            <InputNumber min={0} max={300} />
          </Form.Item>
          <Form.Item name="lining" label="Lining" extra="empty: unlined">
            <Input />
          </Form.Item>
        </div>
        <h2>Worn with</h2>
        <div className="fields">
          <Form.Item name="beneath" label="Beneath">
            <Input />
          </Form.Item>
          <Form.Item name="shoes" label="Shoes">
            <Input />
          </Form.Item>
          <Form.Item name="heel" label="Heel" rules={[length]}>
            <Input />
          </Form.Item>
          <Form.Item name="note" label="Note" className="full">
            <Input.TextArea rows={2} maxLength={2000} />
          </Form.Item>
        </div>
        {mayWrite && (
          <Button type="primary" htmlType="submit" loading={saving.isLoading}>
            Keep the brief
          </Button>
        )}
      </Form>
    </Place>
  );
}

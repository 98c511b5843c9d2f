import '../../parts/garment/garment.css';
import '../../parts/ledger/ledger.css';
import './orders.css';
import '@rocchetto/core/garment/every-part.ts';
import { BriefWire, type OwnBlock, type PartWire, type StepsWire, typedPart } from '@rocchetto/contract';
import {
  FIT_CLASSES,
  GARMENTS,
  garmentProblems,
  inTapeOrder,
  measure,
  measuringList,
  namedGarment,
  partFor,
  SCHOOL_NAME,
  SCHOOLS,
  withUnit,
} from '@rocchetto/core';
import { Button, Checkbox, Form, Input, InputNumber, Radio, Select } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useChangeBriefMutation, useOrderQuery } from '../../api/orders.ts';
import { DesignPictures } from '../../parts/design/DesignPictures.tsx';
import { Learnt } from '../../parts/design/Learnt.tsx';
import { Likes } from '../../parts/design/Likes.tsx';
import { OpenQuestions } from '../../parts/design/OpenQuestions.tsx';
import { GarmentChoice } from '../../parts/garment/GarmentChoice.tsx';
import { MoreParts, mayTakeOff } from '../../parts/garment/MoreParts.tsx';
import { OwnBlocks } from '../../parts/garment/OwnBlocks.tsx';
import { PartFields } from '../../parts/garment/PartFields.tsx';
import { isJoined } from '../../parts/garment/words.ts';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Differences } from '../../shared/Differences.tsx';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { Meanwhile } from '../../shared/Meanwhile.tsx';
import { useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { BlockSteps, stepsAfter } from './BlockSteps.tsx';
import { briefWords } from './brief-words.ts';
import { ClothTraits } from './ClothTraits.tsx';
import { OverGarment } from './OverGarment.tsx';
import { StretchInput } from './StretchInput.tsx';

type Parts = readonly Readonly<Record<string, unknown>>[];

/** The brief begins with the first garment of the house. */
const EMPTY = BriefWire.parse({ parts: GARMENTS[0]!.parts });
/** Parts with what their fields say from the start. */
const filled = (parts: Parts): readonly PartWire[] => BriefWire.parse({ parts }).parts;

/** A further part beside these, with what its fields say from the start: by itself it may be no garment. */
const withPart = (parts: readonly PartWire[], part: string): readonly PartWire[] => [
  ...parts,
  filled([...parts.map((p) => ({ part: p.part })), { part }]).at(-1)!,
];

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const [save, saving] = useChangeBriefMutation();
  const [mine, setMine] = useState<BriefWire | null>(null);
  const [unit, setUnit] = useState<'cm' | 'in'>('cm');
  const [wrong, setWrong] = useState<string[]>([]);
  const mayWrite = useMay('sheet.write');
  const { tape } = useMe();
  const navigate = useNavigate();
  const length = useLengthRule(unit);
  const [form] = Form.useForm<BriefWire>();
  const steps = Form.useWatch('steps', { form, preserve: true }) as StepsWire | undefined;
  const parts = Form.useWatch('parts', { form, preserve: true }) as readonly PartWire[] | undefined;
  const [garment, setGarment] = useState<string | null>(null);
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
  const shown = parts ?? brief.parts;
  const known = garmentProblems(shown.map((p) => p.part)).length === 0;
  const named = garment ?? namedGarment(shown, GARMENTS)?.id ?? '';
  const send = async (wanted: BriefWire, version: number) => {
    setMine(wanted);
    const done = await save({ id, version, brief: wanted });
    if ('data' in done && done.data)
      navigate(done.data.stage === 'brief' ? `/orders/${id}/measure` : `/orders/${id}/sheet`);
  };
  /** Lengths get their unit; a field left empty says its default. */
  const written = (p: PartWire): PartWire => {
    const { fields } = partFor(p.part);
    return Object.fromEntries(
      Object.entries(p).flatMap(([field, v]): [string, unknown][] => {
        const f = fields[field];
        if (f?.kind !== 'length') return v === null || v === undefined ? [] : [[field, v]];
        const text = withUnit(v as string | null, unit);
        return text === null && f.default !== null ? [[field, `0 ${unit}`]] : [[field, text]];
      }),
    ) as unknown as PartWire;
  };
  const values = () => form.getFieldsValue(true) as BriefWire;
  const finish = () => {
    const v = values();
    const parsed = BriefWire.safeParse({
      ...v,
      version: 2,
      cloth: {
        ...v.cloth,
        width: withUnit(v.cloth.width, unit),
        weight: v.cloth.weight ?? null,
        stretch: v.cloth.stretch ?? 0,
        stretchAlong: v.cloth.stretchAlong ?? 0,
      },
      heel: withUnit(v.heel, unit),
      parts: v.parts.map(written),
    });
    setWrong(parsed.success ? [] : parsed.error.issues.map((i) => i.message));
    if (parsed.success) void send(parsed.data, base);
  };
  /** Other parts than the named garment has: the composition is the order's own then. */
  const change = (made: readonly PartWire[]) => {
    const before = values().parts;
    setGarment(null);
    if (openedOn === null) setOpenedOn(order.version);
    form.setFieldValue('steps', stepsAfter(values().steps ?? [], before, made));
    form.setFieldValue(
      'parts',
      made.map((p) => ({ ...p, ...(before.find((b) => b.part === p.part) ?? {}) })),
    );
  };
  const mayChange = mayWrite && order.stage !== 'cut';
  const beginFrom = (b: OwnBlock) => {
    setGarment(null);
    if (openedOn === null) setOpenedOn(order.version);
    const { fit, school } = b;
    form.setFieldsValue({ fit, school, parts: [...b.parts], steps: [...b.steps] } as never);
  };
  const list = known ? inTapeOrder(measuringList(shown.map((p) => typedPart(p, unit))), tape) : [];
  return (
    <Place
      title="Brief"
      thread={<Thread order={order} here="brief" />}
      margin={
        <>
          <section>
            <h2>Why first</h2>
            <p className="soft">
              The style decides which measurements are needed; a client need not stand for more.
            </p>
          </section>
          {list.length > 0 && (
            <section>
              <h2>What will be measured</h2>
              <p className="soft">
                {list
                  .filter((m) => m.needed)
                  .map((m) => measure(m.id).name)
                  .join('; ')}
                . Helpful:{' '}
                {list
                  .filter((m) => !m.needed)
                  .map((m) => measure(m.id).name)
                  .join('; ')}
                .
              </p>
            </section>
          )}
          <OwnBlocks
            clientId={order.clientId}
            clientName={order.clientName}
            onBegin={mayChange ? beginFrom : undefined}
            made={() => {
              const v = values();
              return { fit: v.fit, school: v.school, parts: v.parts.map(written), steps: v.steps ?? [] };
            }}
          />
          <Likes
            orderId={id}
            clientName={order.clientName}
            onTake={
              mayWrite && order.stage !== 'cut'
                ? (words) => {
                    const note = [values().note, words].filter(Boolean).join('\n');
                    form.setFieldValue('note', note.slice(0, 2000));
                    if (openedOn === null) setOpenedOn(order.version);
                  }
                : undefined
            }
          />
          <Learnt orderId={id} unit={unit} figures={null} />
          <OpenQuestions orderId={id} />
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
          labels={{}}
          inWords={({ brief: of }) => Object.fromEntries(of ? briefWords(of as BriefWire) : [])}
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
      {openedOn !== null && order.version > openedOn && problemOf(saving.error).status !== 409 && (
        <Meanwhile>
          Somebody has just saved this order. What you write stays; on saving you will see both.
        </Meanwhile>
      )}
      <Form
        form={form}
        onValuesChange={() => openedOn === null && setOpenedOn(order.version)}
        layout="vertical"
        requiredMark={false}
        disabled={!mayWrite || order.stage === 'cut'}
        initialValues={brief}
        onFinish={finish}
      >
        <GarmentChoice
          value={named}
          disabled={!mayWrite || order.stage === 'cut'}
          parts={() => values().parts.map(written)}
          onChoose={(chosen, made) => {
            setGarment(chosen);
            if (openedOn === null) setOpenedOn(order.version);
            // What both garments ask is not asked twice: a skirt's length stays when its bodice comes.
            const before = values().parts;
            form.setFieldValue('steps', stepsAfter(values().steps ?? [], before, filled(made)));
            form.setFieldValue(
              'parts',
              filled(made).map((p) => ({ ...p, ...(before.find((b) => b.part === p.part) ?? {}) })),
            );
          }}
        />
        {known &&
          shown.map((p, index) => (
            <PartFields
              key={`${index}-${p.part}`}
              index={index}
              part={partFor(p.part)}
              onTakeOff={
                mayWrite && order.stage !== 'cut' && mayTakeOff(shown, index)
                  ? () => change(shown.filter((_, i) => i !== index))
                  : undefined
              }
              joined={isJoined(shown, index)}
              length={length}
              unit={unit}
            />
          ))}
        {known && mayWrite && order.stage !== 'cut' && (
          <MoreParts parts={shown} onAdd={(part) => change(withPart(shown, part))} />
        )}
        {known && (
          <BlockSteps
            steps={steps ?? brief.steps ?? []}
            parts={shown}
            unit={unit}
            disabled={!mayChange}
            onChange={(next) => {
              form.setFieldValue('steps', next);
              if (openedOn === null) setOpenedOn(order.version);
            }}
          />
        )}
        {known && mayWrite && order.stage !== 'cut' && (
          <OverGarment
            order={order}
            parts={shown}
            unit={unit}
            onTake={(index, field, text) => {
              form.setFieldValue(['parts', index, field], text);
              if (openedOn === null) setOpenedOn(order.version);
            }}
          />
        )}
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
            <LengthInput unit={unit} placeholder="for example 150" />
          </Form.Item>
          <Form.Item name={['cloth', 'weight']} label="Weight, g/m²">
            <InputNumber min={1} max={3000} />
          </Form.Item>
          <Form.Item name={['cloth', 'stretch']} label="Stretch around">
            <StretchInput />
          </Form.Item>
          <Form.Item name={['cloth', 'stretchAlong']} label="Stretch lengthwise">
            <StretchInput />
          </Form.Item>
          <ClothTraits />
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
            <LengthInput unit={unit} />
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
      <DesignPictures orderId={id} />
    </Place>
  );
}

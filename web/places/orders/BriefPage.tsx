import { ActionButton } from '../../shared/pieces.tsx';
import '../../parts/garment/garment.css';
import '../../parts/ledger/ledger.css';
import './orders.css';
import '@rocchetto/core/garment/every-part.ts';
import {
  BriefWire,
  type OrderFull,
  type OwnBlock,
  type PartWire,
  type StepsWire,
  typedPart,
} from '@rocchetto/contract';
import {
  GARMENTS,
  garmentProblems,
  inTapeOrder,
  measuringList,
  namedGarment,
  partFor,
  type SheetUnit,
} from '@rocchetto/core';
import { isCut } from '@rocchetto/core/thread/stage.ts';
import { inHand } from '@rocchetto/core/units/in-hand.ts';
import { Form, Radio } from 'antd';
import { useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useChangeBriefMutation, useOrderQuery } from '../../api/orders.ts';
import { DesignPictures } from '../../parts/design/DesignPictures.tsx';
import { GarmentChoice } from '../../parts/garment/GarmentChoice.tsx';
import { MoreParts, mayTakeOff } from '../../parts/garment/MoreParts.tsx';
import { PartFields } from '../../parts/garment/PartFields.tsx';
import { isJoined } from '../../parts/garment/words.ts';
import { useLengthRule } from '../../parts/readings/useLengthRule.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Differences } from '../../shared/Differences.tsx';
import { useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { Toast } from '../../shared/Toast.tsx';
import { BlockSteps, stepsAfter } from './BlockSteps.tsx';
import { BriefFields } from './BriefFields.tsx';
import { BriefMargin } from './BriefMargin.tsx';
import { briefWords } from './brief-words.ts';
import { OverGarment } from './OverGarment.tsx';
import { writtenBrief, writtenPart } from './written-brief.ts';

type Parts = readonly Readonly<Record<string, unknown>>[];

/** The brief begins with no garment: which one it is, is chosen by a hand and never guessed. */
const EMPTY = BriefWire.parse({ parts: [] });
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
  if (!order) return <Place title="Brief" waiting={{ what: 'the brief', error, again: refetch }} />;
  return <Brief key={id} order={order} refetch={refetch} />;
}

/** What is being written: the form, what it comes to, and what a hand can do with it. */
function useBrief(order: OrderFull, unit: SheetUnit) {
  const [save, saving] = useChangeBriefMutation();
  const [mine, setMine] = useState<BriefWire | null>(null);
  const [wrong, setWrong] = useState<string[]>([]);
  const navigate = useNavigate();
  const [form] = Form.useForm<BriefWire>();
  const steps = Form.useWatch('steps', { form, preserve: true }) as StepsWire | undefined;
  const parts = Form.useWatch('parts', { form, preserve: true }) as readonly PartWire[] | undefined;
  const [garment, setGarment] = useState<string | null>(null);
  // The version the form was opened on; another hand's save is told, and what is being typed stays.
  const [openedOn, setOpenedOn] = useState<number | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a version saved elsewhere is shown while nothing is typed
  useEffect(() => {
    if (openedOn === null) form.resetFields();
  }, [order.version]);
  const base = openedOn ?? order.version;
  const touch = () => {
    if (openedOn === null) setOpenedOn(order.version);
  };
  const brief = order.brief ?? EMPTY;
  const shown = parts ?? brief.parts;
  const known = garmentProblems(shown.map((p) => p.part)).length === 0;
  const named = garment ?? namedGarment(shown, GARMENTS)?.id ?? '';
  const send = async (wanted: BriefWire, version: number) => {
    setMine(wanted);
    const done = await save({ id: order.id, version, brief: wanted });
    if ('data' in done && done.data)
      navigate(done.data.stage === 'brief' ? `/orders/${order.id}/measure` : `/orders/${order.id}/sheet`);
  };
  const written = (p: PartWire) => writtenPart(p, unit);
  const values = () => form.getFieldsValue(true) as BriefWire;
  const finish = () => {
    const parsed = BriefWire.safeParse(writtenBrief(values(), unit));
    const nothing = parsed.success && parsed.data.parts.length === 0;
    setWrong(
      nothing
        ? ['Nothing was saved. Choose a garment first.']
        : parsed.success
          ? []
          : parsed.error.issues.map((i) => i.message),
    );
    if (parsed.success && !nothing) void send(parsed.data, base);
  };
  /**
   * Other parts, of a garment of the house or, unnamed, of the order's own. What both ask is not asked twice: a skirt's
   * length stays when its bodice comes.
   */
  const change = (made: readonly PartWire[], chosen: string | null = null) => {
    const before = values().parts;
    // The program’s usual lengths are written as this hand writes; what the studio saved stays as it was written.
    const mine = (p: PartWire): PartWire =>
      chosen?.startsWith('own-')
        ? p
        : (Object.fromEntries(
            Object.entries(p).map(([k, v]) => [k, typeof v === 'string' ? inHand(v, unit) : v]),
          ) as PartWire);
    setGarment(chosen);
    touch();
    form.setFieldValue('steps', stepsAfter(values().steps ?? [], before, made));
    form.setFieldValue(
      'parts',
      made.map((p) => ({ ...mine(p), ...(before.find((b) => b.part === p.part) ?? {}) })),
    );
  };
  const beginFrom = (b: OwnBlock) => {
    setGarment(null);
    touch();
    const { fit, school } = b;
    form.setFieldsValue({ fit, school, parts: [...b.parts], steps: [...b.steps] } as never);
  };
  const takeLike = (words: string) => {
    const note = [values().note, words].filter(Boolean).join('\n');
    form.setFieldValue('note', note.slice(0, 2000));
    touch();
  };
  return {
    form,
    brief,
    steps,
    shown,
    known,
    named,
    values,
    written,
    finish,
    change,
    beginFrom,
    takeLike,
    touch,
    saving,
    send,
    mine,
    wrong,
    openedOn,
    setOpenedOn,
  };
}

interface Props {
  readonly order: OrderFull;
  readonly refetch: () => Promise<unknown>;
}
function Brief({ order, refetch }: Props) {
  const { tape, unit: studioUnit } = useMe();
  const [unit, setUnit] = useState<SheetUnit>(studioUnit);
  const mayWrite = useMay('sheet.write');
  const mayChange = mayWrite && !isCut(order.stage) && order.stage !== 'cancelled';
  const length = useLengthRule(unit);
  const made = useBrief(order, unit);
  const { form, brief, steps, shown, known, named, values, written, change, touch, saving } = made;
  const list = known ? inTapeOrder(measuringList(shown.map((p) => typedPart(p, unit))), tape) : [];
  return (
    <Place
      title="Brief"
      thread={<Thread order={order} here="brief" />}
      margin={
        <BriefMargin
          order={order}
          unit={unit}
          measured={list}
          onBegin={mayChange ? made.beginFrom : undefined}
          onLike={mayChange ? made.takeLike : undefined}
          made={() => {
            const v = values();
            return { fit: v.fit, school: v.school, parts: v.parts.map(written), steps: v.steps ?? [] };
          }}
        />
      }
    >
      <h1>Brief: {order.what}</h1>
      <p className="soft units">
        Lengths are in{' '}
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
      <NotSaved
        saving={saving}
        wrong={made.wrong}
        meanwhile={made.openedOn !== null && order.version > made.openedOn}
        keepMine={(version) => made.mine && made.send(made.mine, version)}
        takeTheirs={() =>
          refetch().then(() => {
            made.setOpenedOn(null);
            form.resetFields();
          })
        }
      />
      <Form
        form={form}
        onValuesChange={touch}
        layout="vertical"
        requiredMark={false}
        disabled={!mayChange}
        initialValues={brief}
        onFinish={made.finish}
      >
        <GarmentChoice
          value={named}
          disabled={!mayChange}
          parts={() => values().parts.map(written)}
          onChoose={(chosen, made) => change(filled(made), chosen)}
        />
        {known &&
          shown.map((p, index) => (
            <PartFields
              key={`${index}-${p.part}`}
              index={index}
              part={partFor(p.part)}
              onTakeOff={
                mayChange && mayTakeOff(shown, index)
                  ? () => change(shown.filter((_, i) => i !== index))
                  : undefined
              }
              joined={isJoined(shown, index)}
              length={length}
              unit={unit}
            />
          ))}
        {known && mayChange && <MoreParts parts={shown} onAdd={(part) => change(withPart(shown, part))} />}
        {known && (
          <BlockSteps
            steps={steps ?? brief.steps ?? []}
            parts={shown}
            unit={unit}
            disabled={!mayChange}
            onChange={(next) => {
              form.setFieldValue('steps', next);
              touch();
            }}
          />
        )}
        {known && mayChange && (
          <OverGarment
            order={order}
            parts={shown}
            unit={unit}
            onTake={(index, field, text) => {
              form.setFieldValue(['parts', index, field], text);
              touch();
            }}
          />
        )}
        <BriefFields unit={unit} />
        {mayWrite && (
          <ActionButton look="take" type="submit" busy={saving.isLoading}>
            Save brief
          </ActionButton>
        )}
      </Form>
      <DesignPictures orderId={order.id} />
    </Place>
  );
}

interface NotSavedProps {
  readonly saving: { readonly error?: unknown; readonly reset: () => void };
  readonly wrong: readonly string[];
  /** another hand saved since the form was opened */
  readonly meanwhile: boolean;
  readonly keepMine: (version: number) => void;
  readonly takeTheirs: () => void;
}
/** Why the brief is not saved, or will have to be compared. */
function NotSaved({ saving, wrong, meanwhile, keepMine, takeTheirs }: NotSavedProps) {
  const { unit } = useMe();
  const both = problemOf(saving.error).status === 409;
  return (
    <>
      {both ? (
        <Differences
          error={saving.error}
          labels={{}}
          inWords={({ brief: of }) => Object.fromEntries(of ? briefWords(of as BriefWire, unit) : [])}
          keepMine={(theirs) => keepMine(Number(theirs.version))}
          takeTheirs={() => {
            saving.reset();
            takeTheirs();
          }}
        />
      ) : (
        <Problem error={saving.error} />
      )}
      {wrong.length > 0 && (
        <Notice tone="bad">
          {wrong.map((w) => (
            <p key={w}>{w}</p>
          ))}
        </Notice>
      )}
      {meanwhile && !both && (
        <Toast>Someone else saved this order. Your text is safe; compare before saving.</Toast>
      )}
    </>
  );
}

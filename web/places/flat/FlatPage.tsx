import { ActionButton, RadioMark, TextField } from '../../shared/pieces.tsx';
import '../../parts/tape/tape.css';
import type { FlatView, OrderFull } from '@rocchetto/contract';
import { formatSentence, readLength, type SheetUnit, withUnit } from '@rocchetto/core';
import { CUT_NAME, FLAT_CUTS, LAID } from '@rocchetto/core/measures/flat/flat-points.ts';

import { type FormEvent, lazy, Suspense, useRef, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useFlatQuery, useLayFlatMutation, useReadFlatMutation } from '../../api/flat.ts';
import { inLine } from '../../api/in-line.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { FlatTable } from '../../parts/flat/FlatTable.tsx';
import { Thread } from '../../parts/thread/Thread.tsx';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { Accepted } from './Accepted.tsx';
import { ChangeActs } from './ChangeActs.tsx';
import { FlatDrawing } from './FlatDrawing.tsx';
import { Tolerance } from './Tolerance.tsx';
import { TwoLays } from './TwoLays.tsx';

const LayEase = lazy(() => import('./LayEase.tsx'));

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const { data: lays, error: away, refetch: again } = useFlatQuery(id);
  const [params, setParams] = useSearchParams();
  const may = useMay('alter.work');
  const mayBrief = useMay('sheet.write');
  const { short } = useDays();
  const { unit } = useMe();
  if (!order || !lays)
    return (
      <Place
        title="Measured flat"
        waiting={{
          what: 'the flat measurements',
          error: error ?? away,
          again: () => {
            void refetch();
            void again();
          },
        }}
      />
    );
  const named = params.get('lay');
  // One that is named and not there is not another one: what is typed would be that one's.
  const lay = params.has('new')
    ? undefined
    : named === null
      ? lays[0]
      : lays.find((l) => l.id === Number(named));
  return (
    <Place
      title="Measured flat"
      thread={<Thread order={order} here="" />}
      margin={
        <>
          <section>
            <h2>On the table</h2>
            <p className="soft">
              Lay it flat and relaxed, neither pulled nor wrinkled. Measure parallel or square, from the
              stitch line, never from a collar or band edge; leave out allowances. Girths are measured as a
              half.
            </p>
          </section>
          {lays.length > 0 && (
            <section>
              <h2>Beside this order</h2>
              <ul className="why">
                {lays.map((l) => (
                  <li key={l.id}>
                    <Link to={`?lay=${l.id}`} aria-current={l.id === lay?.id ? 'true' : undefined}>
                      {l.of}
                      {l.words && `, ${l.words}`}
                    </Link>{' '}
                    <span className="soft">
                      {short(l.at)}, {l.by}
                    </span>
                    {lay && l.id !== lay.id && l.cut === lay.cut && (
                      <>
                        {' '}
                        <Link to={`?lay=${lay.id}&beside=${l.id}`}>
                          Compare
                          <span className="hidden">
                            {' '}
                            with the {l.of}
                            {l.words && `, ${l.words}`}
                          </span>
                        </Link>
                      </>
                    )}
                  </li>
                ))}
              </ul>
              {lay && may && <Tolerance key={lay.id} orderId={id} lay={lay} unit={unit} />}
              {may && !params.has('new') && <Link to="?new=1">Measure another garment</Link>}
            </section>
          )}
          <section>
            {order.brief ? (
              <>
                <p>
                  <Link to={`/orders/${id}/sheet`}>Open the sheet</Link>
                </p>
                <p>
                  <a href={`/api/orders/${id}/neck-template.pdf`} target="_blank" rel="noreferrer">
                    Print neck template (PDF)
                  </a>
                </p>
              </>
            ) : (
              mayBrief && (
                <p>
                  <Link to={`/orders/${id}/brief`}>Write brief</Link>
                </p>
              )
            )}
          </section>
        </>
      }
    >
      <h1>Measured flat for {order.clientName}</h1>
      {named !== null && !lay ? (
        <Notice>This piece is not beside this order, or not any more. Choose one of the list.</Notice>
      ) : lay ? (
        <OneLay
          key={lay.id}
          order={order}
          lay={lay}
          beside={lays.find((l) => l.id === Number(params.get('beside')) && l.cut === lay.cut) ?? null}
          may={may}
        />
      ) : may ? (
        <LayOne
          orderId={id}
          onLaid={async (laid) => {
            await again();
            setParams({ lay: String(laid) });
          }}
        />
      ) : (
        <p className="soft">Nothing measured flat yet.</p>
      )}
    </Place>
  );
}

interface LayOneProps {
  readonly orderId: number;
  /** once it is laid: goes to it as soon as it is there */
  readonly onLaid: (id: number) => Promise<void>;
}
function LayOne({ orderId, onLaid }: LayOneProps) {
  const [lay, { error }] = useLayFlatMutation();
  const [laying, setLaying] = useState(false);
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const f = new FormData(e.currentTarget);
    setLaying(true);
    const done = await lay({
      orderId,
      of: String(f.get('of')),
      cut: String(f.get('cut')),
      words: String(f.get('words')).trim(),
      tolerance: null,
    });
    if ('data' in done) await onLaid(done.data!.id);
    setLaying(false);
  };
  return (
    <form onSubmit={send} className="layone">
      <p className="soft">
        Measure a garment that fits, a pattern or a toile point by point, and compare it with the body and the
        sheet.
      </p>
      <Problem error={error} />
      <fieldset>
        <legend>What is measured</legend>
        {LAID.map((l, i) => (
          <label key={l}>
            <RadioMark name="of" value={l} defaultChecked={i === 0} /> {l}
          </label>
        ))}
      </fieldset>
      <fieldset>
        <legend>Cut</legend>
        {FLAT_CUTS.map((c, i) => (
          <label key={c}>
            <RadioMark name="cut" value={c} defaultChecked={i === 0} /> {CUT_NAME[c]}
          </label>
        ))}
      </fieldset>
      <label htmlFor="words">Description (optional)</label>
      <TextField id="words" name="words" maxLength={200} placeholder="e.g. grey linen dress, second toile" />
      <p className="acts">
        <ActionButton look="take" type="submit" busy={laying}>
          Start measuring flat
        </ActionButton>
      </p>
    </form>
  );
}

function OneLay({
  order,
  lay,
  beside,
  may,
}: {
  order: OrderFull;
  lay: FlatView;
  /** another piece of the same cut that it is compared with */
  beside: FlatView | null;
  may: boolean;
}) {
  const me = useMe();
  const [unit, setUnit] = useState<SheetUnit>(() => {
    const written = lay.rows.flatMap((r) => (r.written ? [r.written.unit] : []));
    return written.length === 0 ? me.unit : written.includes('in') ? 'in' : 'cm';
  });
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [wrong, setWrong] = useState('');
  const [at, setAt] = useState(lay.rows.find((r) => !r.written)?.point.id ?? lay.rows[0]!.point.id);
  const [read, { error }] = useReadFlatMutation();
  const fields = useRef(new Map<string, HTMLInputElement>());
  const row = lay.rows.find((r) => r.point.id === at) ?? lay.rows[0]!;
  const { point } = row;
  // Enter and leaving the field both take it: once.
  const sending = useRef(new Set<string>());
  const take = async (id: string) => {
    const text = typed[id]?.trim() ?? '';
    if (text === '' || sending.current.has(`${id} ${text}`)) return;
    const got = readLength(text, unit);
    if (!got.ok) return setWrong(got.sentence);
    setWrong('');
    sending.current.add(`${id} ${text}`);
    const written = withUnit(text, unit)!;
    const readings = [{ id: crypto.randomUUID(), point: id, written }];
    // The last one kept of a point is the one that counts.
    const done = await inLine(`flat ${lay.id} ${id}`, () =>
      read({ orderId: order.id, id: lay.id, readings }),
    );
    sending.current.delete(`${id} ${text}`);
    // What was not kept stays in its field.
    if ('data' in done) setTyped((now) => (now[id]?.trim() === text ? { ...now, [id]: '' } : now));
  };
  const next = () => {
    const n = lay.rows[lay.rows.findIndex((r) => r.point.id === at) + 1];
    fields.current.get(n?.point.id ?? '')?.focus();
  };
  const other = unit === 'cm' ? 'in' : 'cm';
  const drafted = (order.brief?.parts.length ?? 0) > 0;
  return (
    <>
      <p className="soft">
        {lay.of}
        {lay.words && `, ${lay.words}`} · {CUT_NAME[lay.cut]}
      </p>
      <Accepted orderId={order.id} lay={lay} unit={unit} client={order.clientName} />
      {beside && <TwoLays one={lay} other={beside} unit={unit} />}
      <div className="laid">
        <div>
          <FlatDrawing cut={lay.cut} point={point.id} name={point.name} />
          <p>
            <strong>{point.name}</strong>. {formatSentence(point.how, unit)}
          </p>
        </div>
        <div>
          {wrong && <Notice tone="bad">{wrong}</Notice>}
          <Problem error={error} />
          {lay.says.map((s) => (
            <Notice key={s}>{s}</Notice>
          ))}
          <p className="row">
            <ActionButton look="quiet" className="tall" onClick={() => setUnit(other)}>
              tape in <strong>{unit === 'in' ? 'inches' : 'cm'}</strong>
            </ActionButton>
          </p>
          <FlatTable
            lay={lay}
            unit={unit}
            acts={(row) => (
              <ChangeActs orderId={order.id} lay={lay} row={row} may={may} drafted={drafted} unit={unit} />
            )}
            {...(may
              ? {
                  field: (r) => (
                    <TextField
                      ref={(el) => {
                        if (el) fields.current.set(r.point.id, el);
                      }}
                      aria-label={`${r.point.name}, in ${unit === 'in' ? 'inches' : 'centimetres'}`}
                      value={typed[r.point.id] ?? ''}
                      maxLength={60}
                      autoComplete="off"
                      enterKeyHint="next"
                      onFocus={() => setAt(r.point.id)}
                      onChange={(e) => {
                        setTyped({ ...typed, [r.point.id]: e.target.value });
                        setWrong('');
                      }}
                      onBlur={() => void take(r.point.id)}
                      onKeyDown={(e) => {
                        if (e.key !== 'Enter') return;
                        e.preventDefault();
                        const text = typed[r.point.id]?.trim() ?? '';
                        const got = text === '' ? null : readLength(text, unit);
                        if (got && !got.ok) return setWrong(got.sentence);
                        // Leaving the field takes it; the last one has nowhere to go on to.
                        if (r.point.id === lay.rows.at(-1)!.point.id) void take(r.point.id);
                        else next();
                      }}
                    />
                  ),
                }
              : {})}
          />
        </div>
      </div>
      <Suspense>
        <LayEase orderId={order.id} drafted={drafted} lay={lay} unit={unit} />
      </Suspense>
    </>
  );
}

import { ActionButton } from '../../shared/pieces.tsx';
import './pattern.css';
import type { OrderFull } from '@rocchetto/contract';
import type { KeptChart, SizesView } from '@rocchetto/contract/compare.ts';
import { useParams, useSearchParams } from 'react-router';
import { useChartsQuery, useChooseSizeMutation, useSizesQuery } from '../../api/charts.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { EaseSeen } from '../../parts/ease/EaseSeen.tsx';
import { Thread } from '../../parts/thread/Thread.tsx';
import { useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ChartForm } from './ChartForm.tsx';
import { ChosenSize } from './ChosenSize.tsx';
import { SizesTable } from './SizesTable.tsx';
import { Told } from './Told.tsx';

const SHIPPED = 'EN 13402-3 steps (from memory)';

/** Which size of a bought or kept pattern, and what to change on it before it is cut. */
export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const { data: charts, error: away, refetch: again } = useChartsQuery();
  const [params, setParams] = useSearchParams();
  const mayWrite = useMay('sheet.write');
  if (!order || !charts)
    return (
      <Place
        title="Pattern size"
        waiting={{
          what: 'the size charts',
          error: error ?? away,
          again: () => {
            void refetch();
            void again();
          },
        }}
      />
    );
  const chart = Number(params.get('chart')) || 0;
  const editing = params.get('edit');
  const look = (n: number) => setParams(n === 0 ? {} : { chart: String(n) }, { replace: true });
  return (
    <Place
      title="Pattern size"
      thread={<Thread order={order} here="" />}
      margin={
        <Charts
          charts={charts}
          chosen={chart}
          onLook={look}
          onEdit={mayWrite ? (n) => setParams({ chart: String(chart), edit: n }) : null}
        />
      }
    >
      <h1>Which size for {order.clientName}</h1>
      {editing !== null && mayWrite ? (
        <ChartForm
          key={editing}
          chart={charts.find((c) => String(c.id) === editing) ?? null}
          onClose={(n) => look(n ?? chart)}
        />
      ) : (
        <Sizes order={order} chart={charts.some((c) => c.id === chart) ? chart : 0} mayWrite={mayWrite} />
      )}
    </Place>
  );
}

function Charts({
  charts,
  chosen,
  onLook,
  onEdit,
}: {
  charts: readonly KeptChart[];
  chosen: number;
  onLook: (id: number) => void;
  onEdit: ((id: string) => void) | null;
}) {
  return (
    <section>
      <h2>Size charts</h2>
      <ul className="charts">
        {[...charts.map((c) => [c.id, c.chart.name] as const), [0, SHIPPED] as const].map(([id, name]) => (
          <li key={id}>
            <ActionButton look="ask" aria-pressed={id === chosen} onClick={() => onLook(id)}>
              {name}
            </ActionButton>
            {id !== 0 && (
              <span>
                {onEdit && (
                  <ActionButton look="quiet" onClick={() => onEdit(String(id))}>
                    Edit<span className="hidden"> {name}</span>
                  </ActionButton>
                )}
                <a className="soft" href={`/api/charts/${id}/chart.csv`}>
                  CSV<span className="hidden"> of {name}</span>
                </a>
              </span>
            )}
          </li>
        ))}
      </ul>
      {onEdit && (
        <ActionButton look="plain" onClick={() => onEdit('new')}>
          Add size chart
        </ActionButton>
      )}
    </section>
  );
}

function Sizes({ order, chart, mayWrite }: { order: OrderFull; chart: number; mayWrite: boolean }) {
  const { data, error, refetch } = useSizesQuery({ orderId: order.id, chart });
  const [choose, choosing] = useChooseSizeMutation();
  if (!data)
    return error ? (
      <Problem error={error} again={refetch} />
    ) : (
      <p className="soft" role="status">
        Comparing the sizes …
      </p>
    );
  const set = (size: string) =>
    void choose({ orderId: order.id, chartId: chart, size, version: data.chosen?.version ?? 0 });
  return (
    <>
      <Problem error={choosing.error} />
      {data.chosen && (
        <ChosenSize
          chosen={data.chosen}
          {...(mayWrite ? { onDrop: () => set(''), busy: choosing.isLoading } : {})}
        />
      )}
      <Ranked
        view={data}
        orderId={order.id}
        chart={chart}
        {...(mayWrite ? { onChoose: set, busy: choosing.isLoading } : {})}
      />
    </>
  );
}

/** A chart says nothing of how a girth is shared between front and back. */
const plain = { front: null, back: null } as const;

function Ranked({
  view,
  orderId,
  chart,
  onChoose,
  busy,
}: {
  view: SizesView;
  orderId: number;
  chart: number;
  onChoose?: (size: string) => void;
  busy?: boolean;
}) {
  const { unit } = useMe();
  // The one that was chosen of this chart, else the one with the least work.
  const seen =
    view.sizes.find((s) => s.name === view.chosen?.size && view.chosen.chart === view.chart) ?? view.sizes[0];
  return (
    <>
      <h2>{view.chart}</h2>
      <p className="soft">
        Chosen {view.by}. The least work comes first.{' '}
        {view.of === 'body' &&
          'The chart gives bodies: its maker’s ease, or the one that is wanted, is laid on them.'}
      </p>
      {view.says.map((s) => (
        <Notice key={s}>
          <Told text={s} />
        </Notice>
      ))}
      {view.sizes.length > 0 && <SizesTable view={view} onChoose={onChoose} busy={busy} />}
      {seen && (
        <EaseSeen
          levels={view.body.levels}
          drawn={`size ${seen.name}`}
          rooms={seen.zones.map((z) => ({ ...plain, id: z.id, ease: z.ease, least: z.wish.least }))}
          was={seen.zones.map((z) => ({ ...plain, id: z.id, ease: z.wish.want, least: z.wish.least }))}
          wasIs={['wanted', 'as it is wanted']}
          unit={unit}
        />
      )}
      {view.of === 'body' && view.sizes.length > 0 && (
        <p>
          <a href={`/api/orders/${orderId}/finished.csv?chart=${chart}`}>
            This garment in every size of the chart, finished (CSV)
          </a>
        </p>
      )}
    </>
  );
}

import type { EstimateView } from '@rocchetto/contract/estimate.ts';
import type { EstimatePart } from '@rocchetto/core/estimate/estimate.ts';
import { scaleLinear } from 'd3-scale';
import { usePrice } from '../../shared/usePrice.ts';

export const PART_NAME: Readonly<Record<EstimatePart, string>> = {
  work: 'Work',
  cloth: 'Cloth',
  notions: 'Notions',
  more: 'Besides',
};
const WIDE = 720;
const HIGH = 34;

/** The price laid out like a tape: a stretch for each part, marked in its own steps. */
export function PriceTape({ estimate: { sums, total } }: Pick<EstimateView, 'estimate'>) {
  const price = usePrice();
  if (total === null || total <= 0) return null;
  const along = scaleLinear([0, total], [0, WIDE]);
  const ticks = along.ticks(12).filter((t) => t > 0 && t < total);
  let from = 0;
  const parts = sums.map((s) => {
    const at = from;
    from += s.amount;
    return { ...s, from: along(at), wide: along(s.amount) };
  });
  return (
    <figure className="price-tape">
      <svg
        viewBox={`-1 0 ${WIDE + 2} ${HIGH + 22}`}
        role="img"
        aria-label={parts.map((p) => `${PART_NAME[p.part]} ${price(p.amount)}`).join(', ')}
      >
        {parts.map((p) => (
          <rect key={p.part} data-part={p.part} x={p.from} y={0} width={p.wide} height={HIGH} />
        ))}
        <path
          className="edge"
          d={`M0 0H${WIDE}V${HIGH}H0Z${ticks.map((t) => `M${along(t)} ${HIGH}v-9`).join('')}`}
        />
        {ticks.map((t) => (
          <text key={t} x={along(t)} y={HIGH + 16} textAnchor="middle">
            {t}
          </text>
        ))}
      </svg>
      <figcaption>
        {parts.map((p) => (
          <span key={p.part} data-part={p.part}>
            {PART_NAME[p.part]} {price(p.amount)}
            {p.share > 0 && <span className="soft">, {price(p.share)} of it the studio’s share</span>}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}

import { clothCost, clothName } from '@rocchetto/core/estimate/sold.ts';
import type { ClothId } from '@rocchetto/core/garment/laid-length.ts';
import type { Cm } from '@rocchetto/core/units/length.ts';
import { useEstimateQuery } from '../../api/estimate.ts';
import { useMay, useMe } from '../../shared/me.ts';
import { usePrice } from '../../shared/usePrice.ts';

/** What lengths of a cloth cost as they are bought, where its price stands in the order's estimate and may be read; else null. */
export function useClothPrice(orderId: number, of: ClothId) {
  const may = useMay('money.read');
  const { unit } = useMe();
  const print = usePrice();
  const { data } = useEstimateQuery(orderId, { skip: !may });
  const own = data?.choices.cloths.find((c) => c.name === clothName(of));
  const rate = own && !own.theirs ? own.price : null;
  if (rate === null) return null;
  return {
    rate: `${print(rate)} a ${unit === 'in' ? 'yard' : 'metre'}`,
    cost: (needed: number) => clothCost(needed as Cm, unit, rate),
    print,
  };
}
export type ClothPrice = NonNullable<ReturnType<typeof useClothPrice>>;

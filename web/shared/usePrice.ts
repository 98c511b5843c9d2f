import { printMoney } from '@rocchetto/core/units/print-money.ts';
import { useMe } from './me.ts';

/** How amounts of money are shown, with the studio's currency sign. */
export function usePrice(): (amount: number) => string {
  const { currency } = useMe();
  return (amount) => printMoney(amount, currency);
}

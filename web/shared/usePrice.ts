import { useMe } from './me.ts';

/** How amounts of money are shown: the studio's currency sign, then two decimals. */
export function usePrice(): (amount: number) => string {
  const { currency } = useMe();
  return (amount) => `${currency === '' ? '' : `${currency} `}${amount.toFixed(2)}`;
}

/** What money was spoken of, each as it was noted. Amounts in the house’s money, above zero. */
export interface Noted {
  readonly is: 'price' | 'received' | 'given-back';
  readonly amount: number;
}
/** What an order comes to: what was agreed, what came in, and what is still open (below zero: too much came in). */
export interface Balance {
  readonly agreed: number;
  readonly received: number;
  readonly open: number;
}

const cents = (amount: number) => Math.round(amount * 100);

/** The balance of prices agreed with alterations and of what was noted beside them; reckoned in whole cents. */
export function balanceOf(prices: readonly number[], noted: readonly Noted[]): Balance {
  const sum = (is: Noted['is']) => noted.filter((n) => n.is === is).reduce((a, n) => a + cents(n.amount), 0);
  const agreed = prices.reduce((a, p) => a + cents(p), 0) + sum('price');
  const received = sum('received') - sum('given-back');
  return { agreed: agreed / 100, received: received / 100, open: (agreed - received) / 100 };
}

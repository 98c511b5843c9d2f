/**
 * A sum as the studio writes it: its currency sign, a blank at which no line breaks, two places: "€ 93.10". The sum alone
 * where the studio has no sign.
 */
export const printMoney = (amount: number, currency: string): string =>
  `${currency === '' ? '' : `${currency}\u00a0`}${amount.toFixed(2)}`;

/** An amount in whole hundredths, halves up. */
export const hundredths = (amount: number): number => Math.floor(amount * 100 + 0.5 + 1e-7);
/** Up to the next multiple of a step, in hundredths. */
export const upTo = (amount: number, step: number): number => {
  const by = hundredths(step);
  return by <= 0 ? amount : Math.ceil(amount / by) * by;
};

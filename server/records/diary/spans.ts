/** Minutes since 1970 of an instant. */
export const minutes = (instant: string) => `(extract(epoch from ${instant}) / 60)::int`;

export const span = (from: number, to: number) =>
  `[${new Date(from * 60_000).toISOString()},${new Date(to * 60_000).toISOString()})`;

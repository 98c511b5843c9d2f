/** The day so many after another, both yyyy-mm-dd; below 0 before it. A day of the calendar has no zone. */
export function dayAfter(day: string, days: number): string {
  const d = new Date(`${day}T00:00:00Z`);
  d.setUTCDate(d.getUTCDate() + days);
  return d.toISOString().slice(0, 10);
}

import type { Hours } from './hours.ts';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** Weekly hours as one reads them: "Mon–Fri 09:00–12:30, 13:30–18:00; Sat 09:00–13:00". */
export function hoursWords(hours: readonly Hours[]): string {
  const days = WEEKDAYS.map((_, i) =>
    hours
      .filter((h) => h.weekday === i + 1)
      .sort((a, b) => a.from.localeCompare(b.from))
      .map((h) => `${h.from}–${h.to}`)
      .join(', '),
  );
  const runs: { from: number; to: number; text: string }[] = [];
  days.forEach((text, i) => {
    const last = runs.at(-1);
    if (last && last.text === text && last.to === i - 1) last.to = i;
    else runs.push({ from: i, to: i, text });
  });
  return runs
    .filter((r) => r.text)
    .map((r) => `${WEEKDAYS[r.from]}${r.to > r.from ? `–${WEEKDAYS[r.to]}` : ''} ${r.text}`)
    .join('; ');
}

/**
 * One day's hours as a hand writes them: "9-12:30, 13:30-18". Empty for a day off; null for what are none.
 * @returns pairs of hh:mm
 */
export function readHours(text: string): { from: string; to: string }[] | null {
  if (text.trim() === '') return [];
  const time = (t: string) => {
    const found = /^(\d{1,2})(?:[:.](\d\d))?$/.exec(t.trim());
    if (!found || Number(found[1]) > 24 || Number(found[2] ?? 0) > 59) return null;
    const made = `${found[1]!.padStart(2, '0')}:${found[2] ?? '00'}`;
    return made > '24:00' ? null : made;
  };
  const parts = text.split(/[,;]|\band\b/).map((part) => {
    const ends = part.split(/-|–|\bto\b/);
    const [from, to] = ends.map(time);
    return ends.length === 2 && from && to && from < to ? { from, to } : null;
  });
  if (parts.some((p) => p === null)) return null;
  const made = (parts as { from: string; to: string }[]).sort((a, b) => a.from.localeCompare(b.from));
  return made.some((p, i) => i > 0 && p.from < made[i - 1]!.to) ? null : made;
}

import { useDroppable } from '@dnd-kit/core';
import type { BenchRow, BenchWeek } from '@rocchetto/contract';
import { skillsFor } from '@rocchetto/core/alter/index.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { useDays } from '../../shared/me.ts';
import { Ledger } from '../../shared/pieces.tsx';

interface Props {
  readonly week: BenchWeek;
  /** what is in the hand just now */
  readonly held: BenchRow | null;
}

/** The days ahead of every hand, each a thread: appointments on it, work promised, and the slack that is left. */
export function WeekThreads({ week, held }: Props) {
  const { short } = useDays();
  const open = week.days.filter((_, i) => week.hands.some((h) => h.days[i]!.works > 0));
  return (
    <div className="scroll">
      <Ledger bare className="benchweek" aria-label="Days ahead at the bench">
        <thead>
          <tr>
            <th scope="col">
              <span className="hidden">Who</span>
            </th>
            {open.map((d) => (
              <th key={d} scope="col">
                {short(d)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {week.hands.map((h) => (
            <tr key={h.id}>
              <th scope="row">
                {h.name}
                <div className="soft">{h.skills.join(', ') || 'no skills entered'}</div>
              </th>
              {open.map((d) => (
                <Day key={d} hand={h} day={d} at={week.days.indexOf(d)} held={held} />
              ))}
            </tr>
          ))}
        </tbody>
      </Ledger>
    </div>
  );
}

/** The place of a day of a hand, as drag and drop knows it. */
export const placeOf = (staffId: number, day: string) => `${staffId}/${day}`;
export function readPlace(id: string): { staffId: number; day: string } {
  const [staffId, day] = id.split('/');
  return { staffId: Number(staffId), day: day! };
}

type Hand = BenchWeek['hands'][number];

/** Whether a hand can do it there, in words: what hinders, or what is left. */
export function standsThere(
  week: BenchWeek,
  place: string,
  row: BenchRow,
): { words: string; hinders: boolean } {
  const { staffId, day } = readPlace(place);
  const hand = week.hands.find((h) => h.id === staffId);
  const of = hand?.days[week.days.indexOf(day)];
  if (!hand || !of) return { words: 'no such day', hinders: true };
  const needs = skillsFor(row.kind);
  if (!needs.some((s) => hand.skills.includes(s)))
    return { words: `isn’t trained in ${needs.join(' or ')}`, hinders: true };
  const minutes = Math.max(5, row.minutes - row.worked);
  const over = minutes - of.free;
  return over > 0
    ? { words: `${hoursWord(over)} too much`, hinders: true }
    : { words: `${hoursWord(of.free - minutes)} would be left`, hinders: false };
}

function Day({ hand, day, at, held }: { hand: Hand; day: string; at: number; held: BenchRow | null }) {
  const { setNodeRef, isOver } = useDroppable({ id: placeOf(hand.id, day) });
  const of = hand.days[at]!;
  const over = of.booked + of.bench - of.works;
  const told = held
    ? standsThere({ days: [day], hands: [{ ...hand, days: [of] }] }, placeOf(hand.id, day), held)
    : null;
  const words =
    of.works === 0
      ? of.bench > 0
        ? `${hoursWord(of.bench)} scheduled, not at work`
        : 'not at work'
      : over > 0
        ? `${hoursWord(over)} too much`
        : of.free > 0
          ? `${hoursWord(of.free)} free`
          : over === 0
            ? 'full'
            : 'no time left';
  return (
    <td
      ref={setNodeRef}
      className={[
        isOver && 'over',
        told?.hinders && 'hinders',
        (over > 0 || (of.works === 0 && of.bench > 0)) && 'tight',
      ]
        .filter(Boolean)
        .join(' ')}
      title={`${hoursWord(of.works)} at work, ${hoursWord(of.booked)} of appointments, ${hoursWord(of.bench)} scheduled`}
    >
      <Thread day={of} />
      <span className={told ? 'soft' : ''}>{told && isOver ? told.words : words}</span>
    </td>
  );
}

/** Ten hours are the whole width; what goes past its hours is drawn past them. */
const PER_HOUR = 9;

function Thread({ day }: { day: Hand['days'][number] }) {
  const x = (minutes: number) => (minutes / 60) * PER_HOUR;
  const [booked, bench, works] = [x(day.booked), x(day.bench), x(day.works)];
  const loops = Math.max(0, Math.round(day.bench / 45));
  const step = loops > 0 ? bench / loops : 0;
  const end = Math.max(works, booked + bench);
  return (
    <svg viewBox="0 0 100 22" width="100" height="22" aria-hidden="true">
      {works > 0 && <path d={`M0 16 L${works} 16`} className="slack" />}
      {booked > 0 && <path d={`M0 16 L${booked} 16`} className="kept" />}
      {Array.from({ length: loops }, (_, i) => {
        const a = booked + i * step;
        return (
          <path
            key={a}
            d={`M${a} 16 C${a + step * 0.1} 3 ${a + step * 0.9} 3 ${a + step} 16`}
            className={a + step > works + 0.5 ? 'loop late' : 'loop'}
          />
        );
      })}
      {day.works > 0 && <path d={`M${works} 11 L${works} 20`} className="end" />}
      {end > 99 && <path d="M96 12 L99 16 L96 20" className="loop" />}
    </svg>
  );
}

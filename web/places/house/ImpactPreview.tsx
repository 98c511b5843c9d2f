import type { ImpactPreview } from '@rocchetto/contract';
import type { Hours } from '@rocchetto/core';
import { useImpactQuery } from '../../api/hours.ts';
import { useSettled } from '../../shared/useSettled.ts';

/** Whose bookings they are, by name and time; the rest as a sign that there are more. */
const whose = ({ first, count }: ImpactPreview) =>
  `${first.map((b) => `${b.clientName}, ${b.when}`).join('; ')}${count > first.length ? ' …' : '.'}`;

interface Props {
  /** null for the house's opening hours */
  readonly staffId: number | null;
  readonly hours: readonly Hours[];
  readonly before: readonly Hours[];
}

/** What other hours would leave outside them, told while they are written; nothing of it is moved. */
export function StandOutside({ staffId, hours, before }: Props) {
  const asked = useSettled(hours, 400);
  const { data } = useImpactQuery({ staffId, hours: [...asked] }, { skip: asked === before });
  if (!data || asked !== hours || asked === before) return null;
  const one = data.count === 1;
  return (
    <p role="status" className={data.count > 0 ? 'pending' : 'soft'}>
      {data.count === 0
        ? 'No future booking is outside these hours.'
        : `${data.count} future ${one ? 'booking' : 'bookings'} would be outside these hours and ${one ? 'stays' : 'stay'} as booked: ${whose(data)}`}
    </p>
  );
}

/** How many are booked of a kind that is being changed: they keep what they were booked with. */
export function StandAsBooked({ kind }: { readonly kind: string }) {
  const { data } = useImpactQuery({ kind });
  if (!data) return null;
  return (
    <p role="status" className="soft">
      {data.count === 0
        ? 'No future bookings of this type.'
        : `${data.count} future ${data.count === 1 ? 'booking keeps its' : 'bookings keep their'} minutes, people and room: ${whose(data)}`}
    </p>
  );
}

/** A step of a plan as the server tells it, as much of it as taking it up needs. */
export interface ToldStep {
  readonly id: string;
  readonly name: string;
  readonly does: string;
  readonly kind: string | null;
  readonly minutes: number;
  readonly makes: string | null;
  readonly booked: boolean;
  readonly earliest: {
    readonly day: string;
    readonly time: string;
    readonly staff: readonly { readonly id: number }[];
    readonly room: { readonly id: number } | null;
  } | null;
  readonly work: readonly { readonly staffId: number; readonly day: string; readonly minutes: number }[];
}

/** What a hand sends that takes these steps of a plan up at the earliest. */
export const takenUp = (stamp: string, steps: readonly ToldStep[]) => ({
  stamp,
  work: steps.flatMap((s) => s.work.map((w) => ({ ...w, step: s.id, what: s.name, makes: s.makes }))),
  meetings: steps
    .filter((s) => s.does === 'meeting')
    .map((s) => ({
      step: s.id,
      kind: s.kind,
      minutes: s.minutes,
      slot: {
        day: s.earliest!.day,
        time: s.earliest!.time,
        staff: s.earliest!.staff.map((p) => p.id),
        roomId: s.earliest!.room?.id ?? null,
      },
    })),
});

import {
  type CollisionDetection,
  closestCenter,
  DndContext,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { BenchRow, BenchWeek } from '@rocchetto/contract';
import { formatSentence } from '@rocchetto/core';
import { type ReactNode, useState } from 'react';
import { useStepMutation } from '../../api/alterations.ts';
import { useDays } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { Toast } from '../../shared/Toast.tsx';
import { readPlace, standsThere } from './WeekThreads.tsx';

interface Props {
  readonly week: BenchWeek;
  readonly rows: readonly BenchRow[];
  readonly children: (held: BenchRow | null) => ReactNode;
}

/** Work is taken by its grip and laid onto a day of a hand, by pointer or by keys; what hinders is told before it is let go. */
export function Assignment({ week, rows, children }: Props) {
  const { short } = useDays();
  const [step, { error }] = useStepMutation();
  const [held, setHeld] = useState<BenchRow | null>(null);
  const [given, setGiven] = useState<{ row: BenchRow; says: string } | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: toNeighbour }),
  );
  const rowOf = (id: unknown) => rows.find((r) => r.id === Number(String(id).replace('job-', '')));
  const nameAt = (place: string) => {
    const { staffId, day } = readPlace(place);
    return `${week.hands.find((h) => h.id === staffId)?.name ?? ''}, ${short(day)}`;
  };
  const give = async (row: BenchRow, staffId: number | null, day: string | null) => {
    const minutes = Math.max(5, Math.min(720, row.minutes - row.worked));
    return step({
      id: row.id,
      orderId: row.orderId,
      version: rows.find((r) => r.id === row.id)?.version ?? row.version,
      step: { step: 'assign', staffId, day, ...(day === null ? {} : { minutes }), note: '' },
    });
  };
  const words = (row: BenchRow | undefined) =>
    row ? `${row.orderNumber}: ${formatSentence(row.sentence, row.unit)}` : '';
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={overDay}
      onDragStart={({ active }) => {
        setGiven(null);
        setHeld(rowOf(active.id) ?? null);
      }}
      onDragCancel={() => setHeld(null)}
      onDragEnd={async ({ active, over }) => {
        const row = rowOf(active.id);
        setHeld(null);
        if (!row || !over) return;
        const { staffId, day } = readPlace(String(over.id));
        if (row.staffId === staffId && row.day === day) return;
        if ('data' in (await give(row, staffId, day)))
          setGiven({ row, says: `${row.orderNumber} was assigned to ${nameAt(String(over.id))}.` });
      }}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Press Space or Enter to pick up this job, the arrow keys to move between days and people, Space or Enter to assign it there, Escape to cancel.',
        },
        announcements: {
          onDragStart: ({ active }) => `${words(rowOf(active.id))} is picked up.`,
          onDragOver: ({ active, over }) => {
            const row = rowOf(active.id);
            return row && over
              ? `${nameAt(String(over.id))}: ${standsThere(week, String(over.id), row).words}.`
              : 'Not over a day.';
          },
          onDragEnd: ({ over }) =>
            over ? `Assigned to ${nameAt(String(over.id))}.` : 'Nothing was changed.',
          onDragCancel: () => 'Nothing was changed.',
        },
      }}
    >
      <Problem error={error} />
      {given && (
        <Toast>
          {given.says}{' '}
          <ActionButton
            look="quiet"
            onClick={async () => {
              if ('data' in (await give(given.row, given.row.staffId, given.row.day))) setGiven(null);
            }}
          >
            Undo
          </ActionButton>
        </Toast>
      )}
      {children(held)}
    </DndContext>
  );
}

/** What a piece of work is taken by. */
export function DragHandle({ row }: { row: BenchRow }) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: `job-${row.id}` });
  return (
    <ActionButton
      look="bare"
      ref={setNodeRef}
      className={isDragging ? 'grip held' : 'grip'}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      {...listeners}
      {...attributes}
      aria-label={`Assign ${row.orderNumber}: ${formatSentence(row.sentence, row.unit)}`}
    >
      <svg viewBox="0 0 24 24" width="24" height="24" aria-hidden="true">
        <path d="M4 15 C8 3 16 3 20 15" fill="none" stroke="currentColor" strokeWidth="2.2" />
        <path d="M2 15 L6 15 M18 15 L22 15" stroke="currentColor" strokeWidth="2.2" />
      </svg>
    </ActionButton>
  );
}

/** Under the pointer; by keys, the nearest. */
const overDay: CollisionDetection = (args) =>
  args.pointerCoordinates ? pointerWithin(args) : closestCenter(args);

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** An arrow goes to the next day of its direction. */
const toNeighbour: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
  const [dx, dy] = ARROWS[event.code] ?? [0, 0];
  if (dx === 0 && dy === 0) return undefined;
  event.preventDefault();
  const me = context.collisionRect;
  if (!me) return undefined;
  const at = { x: me.left + me.width / 2, y: me.top + me.height / 2 };
  const inside = [...context.droppableRects.values()].some(
    (r) => at.x >= r.left && at.x <= r.right && at.y >= r.top && at.y <= r.bottom,
  );
  let best: { x: number; y: number; far: number } | null = null;
  for (const r of context.droppableRects.values()) {
    const [x, y] = [r.left + r.width / 2, r.top + r.height / 2];
    const [u, v] = [x - at.x, y - at.y];
    const along = u * dx + v * dy;
    const across = Math.abs(u * dy) + Math.abs(v * dx);
    // From the list the first arrow goes to the nearest day, whichever way it lies.
    if (inside ? along < 8 || across > along * 2 : false) continue;
    const far = inside ? along + across * 3 : Math.hypot(u, v);
    if (best === null || far < best.far) best = { x, y, far };
  }
  return best
    ? { x: currentCoordinates.x + best.x - at.x, y: currentCoordinates.y + best.y - at.y }
    : undefined;
};

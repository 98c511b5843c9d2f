import { DEFAULT_WORDS, fillWords } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import type { AppointmentView, SlotView } from './diary.ts';
import { messageValues } from './message-values.ts';

const slot = (more: Partial<SlotView>): SlotView => ({
  id: 1,
  state: 'taken',
  start: 0,
  end: 45,
  day: '2026-03-12',
  from: '10:00',
  to: '10:45',
  staff: [1],
  roomId: 7,
  reason: '',
  leftAt: null,
  ...more,
});
const appointment = (more: Partial<AppointmentView>): AppointmentView => ({
  id: 1,
  kind: 'final-fitting',
  kindName: 'final fitting',
  status: 'confirmed',
  clientId: 1,
  clientName: 'Nell',
  orderId: null,
  orderNumber: null,
  what: null,
  minutes: 45,
  buffer: 10,
  whoComes: 'a sister',
  bring: 'the shoes',
  note: 'shy',
  heldUntil: null,
  answer: '',
  answerWords: '',
  answeredBy: null,
  readyAt: null,
  changedAt: '2026-12-01T09:00:00Z',
  version: 1,
  slots: [],
  ...more,
});
const telling = {
  studio: 'Quay Street',
  contact: ['3 Quay Street', '01 23'],
  wall: (at: number) => ({ day: new Date(at * 60_000).toISOString().slice(0, 10), time: '09:30' }),
  roomName: (id: number | null) => (id === 7 ? 'Bay' : ''),
  dateOrder: 'dmy' as const,
};

describe('what a message says of an appointment', () => {
  it('of one time: its day, begin and room; what the house noted for itself is not in it', () => {
    const values = messageValues(appointment({}), slot({}), telling);
    expect(values).toMatchObject({
      kind: 'final fitting',
      day: 'Thu 12 Mar 2026',
      time: '10:00',
      room: 'Bay',
      contact: '3 Quay Street\n01 23',
      until: '',
      times: '',
    });
    expect(JSON.stringify(values)).not.toContain('shy');
  });
  it('of several: those that are offered, and until when; none that was left', () => {
    const a = appointment({
      status: 'offered',
      heldUntil: '2026-03-11T09:30:00Z',
      slots: [
        slot({ state: 'offered' }),
        slot({ id: 2, state: 'left', from: '12:00' }),
        slot({ id: 3, state: 'offered', from: '14:00' }),
      ],
    });
    const values = messageValues(a, undefined, telling);
    expect(values).toMatchObject({ day: '', time: '', room: '', until: 'Wed 11 Mar 2026, 09:30' });
    expect(values.times).toBe('Thu 12 Mar 2026, 10:00\nThu 12 Mar 2026, 14:00');
    expect(fillWords(DEFAULT_WORDS.offered.body, { ...values, link: 'x' })).toContain(
      'until Wed 11 Mar 2026, 09:30:\nThu',
    );
  });
});

import type { AppointmentView, SlotView } from '@rocchetto/contract';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { transitions } from '@rocchetto/core/diary/transitions.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import ICAL from 'ical.js';

/** What a calendar program is told of one time of an appointment. */
export interface CalendarEvent {
  readonly appointment: AppointmentView;
  readonly slot: SlotView;
  readonly cancelled: boolean;
}

export interface Words {
  readonly studio: string;
  readonly zone: string;
  /** whether the reader may know whose appointment it is */
  readonly withNames: boolean;
  readonly roomName: (id: number | null) => string;
}

/** A bare carriage return would end the line and begin a property of its own. */
const oneWay = (text: string) => text.replace(/\r\n?/g, '\n');

/** A wall time in the studio's zone; in UTC where the studio keeps that. */
function timeProperty(name: string, zone: string, at: number): ICAL.Property {
  const property = new ICAL.Property(name);
  const { day, time } = wallAt(zone, at);
  const utc = zone === 'UTC';
  property.setValue(ICAL.Time.fromDateTimeString(`${day}T${time}:00${utc ? 'Z' : ''}`));
  if (!utc) property.setParameter('tzid', zone);
  return property;
}

/** The zone's rules over the days that are told (RFC 5545, 3.6.5): one observance for each change of its clocks. */
function zoneComponent(zone: string, from: string, until: string): ICAL.Component {
  const component = new ICAL.Component('vtimezone');
  component.addPropertyWithValue('tzid', zone);
  const { start, offset, changes } = transitions(zone, dayAfter(from, -370), dayAfter(until, 370));
  const usual = Math.min(offset, ...changes.map((c) => c.after));
  for (const c of [{ wall: start, before: offset, after: offset }, ...changes]) {
    const part = new ICAL.Component(c.after > usual ? 'daylight' : 'standard');
    part.addPropertyWithValue('dtstart', ICAL.Time.fromDateTimeString(c.wall));
    part.addPropertyWithValue('tzoffsetfrom', ICAL.UtcOffset.fromSeconds(c.before));
    part.addPropertyWithValue('tzoffsetto', ICAL.UtcOffset.fromSeconds(c.after));
    component.addSubcomponent(part);
  }
  return component;
}

function eventComponent({ appointment: a, slot: s, cancelled }: CalendarEvent, w: Words): ICAL.Component {
  const event = new ICAL.Component('vevent');
  const kind = a.kindName;
  // Several offered times are events of their own; a time that moves stays the one event.
  event.addPropertyWithValue(
    'uid',
    `appointment-${a.id}${s.state === 'offered' ? `-${s.id}` : ''}@rocchetto.invalid`,
  );
  event.addPropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${a.changedAt.slice(0, 19)}Z`));
  event.addPropertyWithValue('sequence', a.version);
  event.addProperty(timeProperty('dtstart', w.zone, s.start));
  event.addProperty(timeProperty('dtend', w.zone, s.end));
  event.addPropertyWithValue('summary', oneWay(w.withNames ? `${kind}, ${a.clientName}` : kind));
  const room = w.roomName(s.roomId);
  if (room) event.addPropertyWithValue('location', oneWay(`${room}, ${w.studio}`));
  const more = [
    a.orderNumber && `Order ${a.orderNumber}`,
    w.withNames && a.bring && `To bring: ${a.bring}`,
  ].filter(Boolean);
  if (more.length > 0) event.addPropertyWithValue('description', oneWay(more.join('\n')));
  event.addPropertyWithValue(
    'status',
    cancelled ? 'CANCELLED' : a.status === 'offered' ? 'TENTATIVE' : 'CONFIRMED',
  );
  return event;
}

/** Events as iCalendar (RFC 5545). The library escapes and folds at 75 octets; lines end in CRLF. */
export function icalendar(name: string, events: readonly CalendarEvent[], w: Words): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('prodid', '-//Rocchetto//Diary//EN');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('method', 'PUBLISH');
  calendar.addPropertyWithValue('name', oneWay(name));
  const days = events.map((e) => e.slot.day).sort();
  if (w.zone !== 'UTC' && days.length > 0)
    calendar.addSubcomponent(zoneComponent(w.zone, days[0]!, days.at(-1)!));
  for (const e of events) calendar.addSubcomponent(eventComponent(e, w));
  return `${calendar.toString()}\r\n`;
}

/**
 * What somebody's or a room's calendar holds: their times, and those that are no longer theirs as cancelled, so that a
 * program that once read them takes them off.
 */
export function eventsFor(
  appointments: readonly CalendarEvent['appointment'][],
  holds: (s: SlotView) => boolean,
): CalendarEvent[] {
  return appointments.flatMap((appointment): CalendarEvent[] => {
    const standing = appointment.slots.filter((s) => s.state !== 'left' && holds(s));
    if (standing.length > 0)
      return standing.map((slot) => ({
        appointment,
        slot,
        cancelled: appointment.status === 'did-not-come',
      }));
    const last = appointment.slots.filter((s) => s.state === 'left' && holds(s)).at(-1);
    return last ? [{ appointment, slot: last, cancelled: true }] : [];
  });
}

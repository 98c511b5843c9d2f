import type { ClientView } from '@rocchetto/contract';
import ICAL from 'ical.js';

/** The client's card as vCard 4.0 (RFC 6350). The library escapes and folds. */
export function vcard(seen: ClientView): string {
  // The library escapes a line feed; a bare carriage return would end the line and begin a property of its own.
  const oneWay = (text: string) => text.replace(/\r\n?/g, '\n');
  const client = {
    ...seen,
    name: oneWay(seen.name),
    phone: seen.phone && oneWay(seen.phone),
    email: seen.email && oneWay(seen.email),
    address: seen.address && oneWay(seen.address),
  };
  const card = new ICAL.Component('vcard');
  card.addPropertyWithValue('version', '4.0');
  card.addPropertyWithValue('fn', client.name);
  const words = client.name.trim().split(/\s+/);
  const name = new ICAL.Property('n', card);
  name.setValue([
    words.length > 1 ? words.at(-1)! : '',
    words.length > 1 ? words.slice(0, -1).join(' ') : client.name,
    '',
    '',
    '',
  ]);
  card.addProperty(name);
  if (client.phone) {
    const phone = new ICAL.Property('tel', card);
    phone.resetType('text');
    phone.setValue(client.phone);
    card.addProperty(phone);
  }
  if (client.email) card.addPropertyWithValue('email', client.email);
  if (client.address) {
    const address = new ICAL.Property('adr', card);
    address.setValue(['', '', client.address, '', '', '', '']);
    card.addProperty(address);
  }
  card.addPropertyWithValue('note', `Client ${client.code}`);
  return `${card.toString()}\r\n`;
}

import { describe, expect, it } from 'vitest';
import { DEFAULT_WORDS, fillWords, MESSAGE_FIELDS, MESSAGE_KINDS, unknownFields } from './words.ts';

const values = {
  client: 'Nell',
  studio: 'Quay Street',
  contact: '3 Quay Street\n01 23',
  kind: 'fitting',
  day: 'Thu 12 Mar 2026',
  time: '10:00',
  room: 'Bay',
  bring: 'the shoes',
  times: '10:00\n11:00',
  until: '11 Mar',
};

describe('what a client is told', () => {
  it.each(MESSAGE_KINDS)(
    '%s: the house’s wording names only fields there are and leaves none open',
    (kind) => {
      const { subject, body } = DEFAULT_WORDS[kind];
      expect(unknownFields(subject + body)).toEqual([]);
      for (const text of [subject, body]) expect(fillWords(text, values)).not.toMatch(/[{}]/);
      expect(fillWords(body, values)).toMatch(/^Dear Nell,\n\n[\s\S]+\n\nQuay Street\n3 Quay Street\n01 23$/);
    },
  );
  it('leaves out a line whose field is empty', () => {
    const words = fillWords(DEFAULT_WORDS.confirmed.body, { ...values, bring: '', room: '', contact: '' });
    expect(words).toBe('Dear Nell,\n\nYour fitting is on Thu 12 Mar 2026 at 10:00.\n\nQuay Street');
  });
  it('names a field that does not exist', () => {
    expect(unknownFields('Dear {client}, {phone} {phone} {}')).toEqual(['phone', '']);
    expect(unknownFields('{toString} {constructor}')).toEqual(['toString', 'constructor']);
    expect(Object.keys(MESSAGE_FIELDS)).toContain('times');
  });
  it('does not read again what a value holds', () => {
    expect(fillWords('{client} {studio}', { client: '{studio}$&', studio: 'S' })).toBe('{studio}$& S');
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MEASURES } from '../measures/catalogue.ts';
import { type Column, columnsSay, guessColumn } from './columns.ts';
import { peopleOf } from './people.ts';
import { readRow } from './rows.ts';

const m = (id: string, unit: 'cm' | 'in' = 'cm', way: 'whole' | 'half' | 'quarter' = 'whole'): Column => ({
  is: 'measure',
  id,
  unit,
  way,
});

it('every measure’s own name as a header means that measure', () => {
  for (const m of MEASURES)
    expect(guessColumn(m.name, []), m.name).toMatchObject({ is: 'measure', id: m.id });
});

describe('what a column holds, by its header', () => {
  it.each([
    ['Client Name', [], { is: 'name' }],
    ['Tel', [], { is: 'phone' }],
    ['E-mail', [], { is: 'email' }],
    ['Measured on', [], { is: 'date' }],
    ['Fitter', [], { is: 'measurer' }],
    ['Remarks', [], { is: 'note' }],
    ['Bust (in)', [], m('bust', 'in')],
    ['Bust', ['36', '38 1/2', '34'], m('bust', 'in')],
    ['Bust', ['92', '97.5'], m('bust')],
    ['Half waist', ['36', '37.5'], m('waist', 'cm', 'half')],
    ['scye depth', ['21'], m('armhole-depth')],
    ['Seat', ['98'], m('hip')],
    ['Back length', ['41'], m('nape-to-waist')],
    ['Favourite colour', ['red'], { is: 'leave' }],
    ['', [], { is: 'leave' }],
    ['=cmd', [], { is: 'leave' }],
  ] as [string, string[], Column][])('“%s” %j', (header, cells, column) =>
    expect(guessColumn(header, cells)).toEqual(column),
  );
  it('needs one name, and each measure once', () => {
    expect(columnsSay([m('bust')])).toContain('column that contains the name');
    expect(columnsSay([{ is: 'name' }, { is: 'name' }])).toContain('Two columns contain the name');
    expect(columnsSay([{ is: 'name' }, m('bust'), m('bust', 'in')])).toBe(
      'Two columns contain bust. Choose one and skip the other.',
    );
    expect(
      columnsSay([
        { is: 'name' },
        { is: 'leave' },
        { is: 'leave' },
        { is: 'note' },
        { is: 'note' },
        m('bust'),
      ]),
    ).toBe('');
  });
});

describe('one row', () => {
  const columns: Column[] = [
    { is: 'name' },
    { is: 'date' },
    m('bust'),
    m('waist', 'in'),
    { is: 'email' },
    { is: 'note' },
  ];
  const row = (...cells: string[]) => readRow(cells, columns, '2026-11-26');
  it('is read as it was written, each figure in its own unit', () => {
    const r = row(' Ada Brook ', '3.5.2019', '92,5', '28 3/8', 'ada@example.org', 'left-handed');
    expect(r).toMatchObject({
      name: 'Ada Brook',
      date: '2019-05-03',
      email: 'ada@example.org',
      note: 'left-handed',
      left: [],
      refused: '',
    });
    expect(r.readings.map((x) => [x.measure, x.written.unit])).toEqual([
      ['bust', 'cm'],
      ['waist', 'in'],
    ]);
    expect(row('B', '2019-05-03', '36 1/4 in', '71 cm', '', '').readings.map((x) => x.written.unit)).toEqual([
      'in',
      'cm',
    ]);
  });
  it('says of each cell that is left out why, and takes the others', () => {
    const r = row('Cy', '31.2.2019', 'wide', '28', 'no mail', '');
    expect(r.readings).toEqual([]);
    expect(r.left).toEqual(
      expect.arrayContaining([
        '“31.2.2019” isn’t a date.',
        '“no mail” isn’t an e-mail address.',
        'The row has no date of measuring, so its measurements are not imported.',
      ]),
    );
    expect(row('Cy', '2030-01-01', '92', '', '', '').left[0]).toContain('in the future');
    expect(row('Cy', '2019-01-01', '=cmd|calc', '28', '', '').left[0]).toContain('bust:');
  });
  it('doubts what is outside the usual span, and takes it; a row without a name is left out', () => {
    const r = row('Di', '2019-01-01', '36', '28', '', '');
    expect(r.readings).toHaveLength(2);
    expect(r.doubts[0]).toContain('is unlikely for bust');
    expect(row('', '2019-01-01', '92', '', '', '').refused).toBe('The row has no name.');
  });
  it('bears short rows, long cells and anything else', () => {
    expect(() => row()).not.toThrow();
    expect(row('x'.repeat(500), '2019-01-01').name).toHaveLength(200);
    for (const cell of ['٣٤', '1e999', 'NaN', '-5', '½', '\u0000', '🧵'])
      expect(() => row(cell, cell, cell, cell, cell, cell)).not.toThrow();
  });
});

describe('whose the rows are', () => {
  const card = (
    name: string,
    phone = '',
    more: { email?: string; address?: string; note?: string } = {},
  ) => ({
    name,
    phone,
    email: '',
    address: '',
    note: '',
    ...more,
  });
  const keys = (...rows: ReturnType<typeof card>[]) =>
    peopleOf(rows).map((p) => (typeof p === 'string' ? p : p.key));

  it('one of a name is one person, wherever the phone stands and however it is written', () => {
    const [a, b, c] = keys(card('Zoë Vale'), card('zoe vale', '0123 45'), card('Zoë Vale', '(0123) 45'));
    expect([b, c]).toEqual([a, a]);
    expect(keys(card('Zoë Vale'), card('Ada Brook'))).toHaveLength(2);
  });
  it('several of a name are told apart by the phone; a row without one says that it cannot be told', () => {
    const [a, b, c] = keys(card('Same Name', '01'), card('Same Name', '02'), card('Same Name'));
    expect(a).not.toBe(b);
    expect(c).toBe('2 clients are called Same Name, and the phone does not say which. The row is left out.');
  });
  it('the card holds what the rows say together: what came first stands, notes are all kept once', () => {
    const [p] = peopleOf([
      card('Una Reed', '', { note: 'left-handed', email: 'una@example.org' }),
      card('Una Reed', '077', { note: 'left-handed\nwears boots', email: 'other@example.org' }),
    ]);
    expect(p).toMatchObject({
      namesakes: 1,
      card: { phone: '077', email: 'una@example.org', note: 'left-handed\nwears boots' },
    });
  });
  it('neither order nor place of a row matters', () => {
    const one = fc.record({ name: fc.constantFrom('A B', 'C D'), phone: fc.constantFrom('', '1', '2', '3') });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), (list) => {
        const rows = list.map((r) => card(r.name, r.phone));
        expect(keys(...rows.toReversed())).toEqual(keys(...rows).toReversed());
      }),
    );
  });
});

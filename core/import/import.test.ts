import { describe, expect, it } from 'vitest';
import { type Column, columnsSay, guessColumn } from './columns.ts';
import { readRow } from './rows.ts';

const m = (id: string, unit: 'cm' | 'in' = 'cm', way: 'whole' | 'half' | 'quarter' = 'whole'): Column => ({
  is: 'measure',
  id,
  unit,
  way,
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
    expect(columnsSay([m('bust')])).toContain('which column holds the name');
    expect(columnsSay([{ is: 'name' }, { is: 'name' }])).toContain('Two columns hold the name');
    expect(columnsSay([{ is: 'name' }, m('bust'), m('bust', 'in')])).toBe(
      'Two columns hold bust; choose one, leave the other.',
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
        '“31.2.2019” is no day.',
        '“no mail” is no e-mail address.',
        'The row tells no day of measuring: its figures are not taken.',
      ]),
    );
    expect(row('Cy', '2030-01-01', '92', '', '', '').left[0]).toContain('lies ahead');
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

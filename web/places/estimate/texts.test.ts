import { EstimateChoices, type EstimateView } from '@rocchetto/contract/estimate.ts';
import { describe, expect, it } from 'vitest';
import { choicesIn, textsOf } from './texts.ts';

const line = (part: 'cloth' | 'notions', name: string) =>
  ({ id: name, part, name, quantity: '1', rate: null, of: 'piece', amount: null, why: [] }) as const;
const view = (choices: object): Pick<EstimateView, 'choices' | 'estimate'> => ({
  choices: EstimateChoices.parse(choices),
  estimate: {
    lines: [line('cloth', 'cloth'), line('cloth', 'lining'), line('notions', 'zip')],
    minutes: 0,
    sums: [],
    total: null,
    asked: null,
    moved: null,
    deposit: null,
    balance: null,
    leaves: [],
  },
});

describe('prices as they are written', () => {
  it('read back what they were, also of what the sheet no longer has', () => {
    for (const choices of [
      {},
      {
        cloths: [
          { name: 'cloth', price: 46.5, quantity: 3.5, theirs: false },
          { name: 'second cloth', price: null, theirs: true },
        ],
        notions: [
          { name: 'zip', price: null, quantity: 2 },
          { name: 'buckle', price: 4, quantity: null },
        ],
        more: [{ name: 'beads', amount: 65 }],
        asked: 1200,
        deposit: 400.5,
        until: '2026-12-24',
        words: 'As talked over.',
      },
    ]) {
      const read = choicesIn(textsOf(view(choices)));
      expect(read).toEqual({ choices: EstimateChoices.parse(choices) });
    }
  });
  it('say what cannot be read, and lose nothing of it', () => {
    const texts = textsOf(view({}));
    const wrong = (more: object) => choicesIn({ ...texts, ...more });
    expect(
      wrong({ cloths: { ...texts.cloths, cloth: { price: 'dear', quantity: '', theirs: false } } }),
    ).toEqual({
      wrong: expect.stringMatching(/^“dear” can’t be read as a price/),
    });
    expect(wrong({ notions: { zip: { price: '', quantity: 'two' } } })).toEqual({
      wrong: '“two” can’t be read as a number. Type 3 or 1.5.',
    });
    expect(wrong({ more: [{ name: '', amount: '5' }] })).toEqual({ wrong: 'Enter what the amount is for.' });
    expect(wrong({ more: [{ name: 'beads', amount: '' }] })).toEqual({ wrong: 'Enter what “beads” costs.' });
    expect(wrong({ until: '?soonish' })).toEqual({
      wrong: '“soonish” can’t be read as a date. Type it like 28 Dec.',
    });
    // Rows that were added and left empty are no lines.
    expect(wrong({ more: [{ name: ' ', amount: '' }] })).toEqual({ choices: EstimateChoices.parse({}) });
  });
});

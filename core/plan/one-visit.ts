import type { Work } from './work.ts';

/** What one fitting has to settle where the client can come only once. Minutes. */
export interface OneVisit {
  /** in the order in which it is done */
  readonly settle: readonly { readonly what: string; readonly minutes: number }[];
  readonly minutes: number;
  /** what must be ready before the client comes */
  readonly before: readonly string[];
  /** what is decided without the client */
  readonly decided: readonly string[];
  readonly risk: readonly string[];
}

/** All that one fitting settles, with its minutes (common practice and a fitter's order; minutes are house figures, no source). */
export function oneVisit({ counts: c, hangs }: Work): OneVisit {
  const settle = [
    { what: 'put on over what is worn beneath, in the shoes of the day, and closed', minutes: 8 },
    { what: 'balance: side seams upright, waist level, grain straight', minutes: 5 },
    {
      what: `girths, seam by seam: what is loose or tight is pinned on ${c.panel} panels`,
      minutes: 8 + Math.ceil(c.panel / 2),
    },
    ...(c.bone > 0 ? [{ what: 'upper edge and bones: sit, breathe in, raise an arm', minutes: 10 }] : []),
    ...(c.sleeve > 0 ? [{ what: 'sleeves: how they hang, width, length', minutes: 10 }] : []),
    ...(c.collar > 0 ? [{ what: 'collar: height, where it breaks', minutes: 5 }] : []),
    ...(c.metre > 0
      ? [{ what: 'hem, levelled all round from the floor', minutes: 8 + Math.ceil(c.metre * 2) }]
      : []),
    { what: 'walk, sit, raise both arms: what pulls is written down', minutes: 5 },
    { what: 'read back what was agreed', minutes: 5 },
  ];
  return {
    settle,
    minutes: settle.reduce((sum, s) => sum + s.minutes, 0),
    before: [
      'cut with wide seam allowances, so that it can be let out',
      `basted whole${c.sleeve > 0 ? ', sleeves too' : ''}, with the closing basted in and the hem tacked up`,
      ...(c.lining > 0 ? ['lining cut and still apart'] : []),
      'buttons, trim and lining chosen, or two of each laid ready',
      'the client is asked to bring shoes and what is worn beneath',
    ],
    decided: [
      'what the fitting leaves open is done by the readings',
      ...(hangs ? ['how far the cloth drops: its hem is levelled again on the stand after it has hung'] : []),
      'everything after it is checked on the stand, against the sheet',
    ],
    risk: [
      'What this one fitting does not show is not seen before the day: nobody sees it on again.',
      ...(hangs
        ? ['Cloth on the bias goes on dropping; a hem that was levelled once may hang unevenly.']
        : []),
      ...(c.bone > 0
        ? [
            'Bones that press are felt after an hour, not after ten minutes. Have it worn sitting during the fitting.',
          ]
        : []),
      'If anything changes until then, there is no second time. Keep the wide allowances inside, and name somebody who can sew on the day.',
    ],
  };
}

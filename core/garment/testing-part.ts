import { edge, type Panel } from '../draft/panel.ts';
import { straight } from '../draft/shape.ts';
import { buildFigure, markedGirth, term } from '../figure/build.ts';
import { judge } from '../figure/check.ts';
import { cm } from '../units/length.ts';
import { choice } from './fields.ts';
import { definePart } from './part.ts';
import { pieceOf } from './pieces.ts';

/** A part of the tests' own, as small as a part can be: a sash round the waist. It touches no file but this. */
export const sash = definePart({
  id: 'sash',
  name: 'sash',
  key: 'sash',
  fields: {
    width: { kind: 'length', label: 'Width of the sash', min: 2, max: 40, default: '10 cm' },
    tails: { kind: 'yes-no', label: 'With tails', default: true },
    tailLength: {
      kind: 'length',
      label: 'Length of each tail',
      min: 10,
      max: 100,
      default: '40 cm',
      when: { field: 'tails', is: [true] },
    },
    layers: { kind: 'count', label: 'Layers', min: 1, max: 3, step: 1, default: 1 },
    closing: choice('Closing', [
      ['knot', 'knotted'],
      ['hooks', 'hooks'],
    ]),
    motto: { kind: 'text', label: 'Embroidered words', max: 40, default: '' },
  },
  hangsFrom: 'waist',
  joins: { gives: [], takes: [], givenUp: [] },
  wants: () => ({ needs: ['waist'], helps: [] }),
  lines: () => [{ zone: 'waist', needed: true, split: () => ({ panel: 'sash', times: 1 }) }],
  draft: (c, v) => {
    const waist = c.line('waist');
    const round = waist ? markedGirth(waist.figure) : null;
    const length = round === null ? null : cm(round + (v.tails ? 2 * v.tailLength : 0));
    const panel: Panel | null =
      length === null
        ? null
        : {
            id: c.id('panel'),
            name: 'sash',
            share: 'sash',
            layer: 'outer',
            cut: 'single',
            count: v.layers,
            grain: 'lengthwise along the sash',
            edges: [
              edge('end', 'end', straight([0, 0], [v.width, 0]), c.allowances.side),
              edge('long', 'long edge', straight([v.width, 0], [v.width, length]), c.allowances.side),
              edge('other', 'other end', straight([v.width, length], [0, length]), c.allowances.side),
              edge('waist', 'waist', straight([0, length], [0, 0]), c.allowances.side),
            ],
            darts: [],
            lines: [],
            marks: [],
            across: { centre: 'waist', side: 'long' },
            note: v.motto,
          };
    const figure = buildFigure(c, {
      id: c.id('length'),
      section: c.key,
      name: 'sash, length',
      group: 'length',
      known: length !== null,
      terms: [
        term('body', 'waist, as marked', round ?? 0, 'It goes round once.'),
        term('add', 'tails', (length ?? 0) - (round ?? 0), 'As briefed.'),
      ],
    });
    return {
      panels: panel ? [panel] : [],
      sewn: {},
      places: () => [
        { figure: figure.id, panel: c.id('panel'), at: [v.width / 2, 20] },
        { figure: 'waist', panel: c.id('panel'), at: [0, 10] },
      ],
      figure,
      panel,
    };
  },
  figures: (_, __, d) => [d.figure],
  checks: (c, v, d) =>
    d.figure.marked === null
      ? []
      : [
          judge(
            v.closing === 'hooks' || v.tails,
            c.id('closes'),
            d.figure.id,
            'A sash is knotted by its tails or hooked.',
          ),
        ],
  picture: () => ({
    front: {
      strokes: [{ kind: 'band', figure: 'sash.length', d: 'M-18 0 L18 0 L18 10 L-18 10 Z' }],
      points: [],
    },
    back: {
      strokes: [{ kind: 'band', figure: 'sash.length', d: 'M-18 0 L18 0 L18 10 L-18 10 Z' }],
      points: [],
    },
  }),
  cutting: (c, v, d) => ({
    pieces: d.panel ? [pieceOf(d.panel, c.rounding)] : [],
    notions: v.closing === 'hooks' ? [{ name: 'hooks', length: null, note: 'three' }] : [],
    allowances: [{ name: 'all edges', cm: c.allowances.side }],
    cautions: [],
  }),
});

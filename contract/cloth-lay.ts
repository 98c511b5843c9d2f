import type { ClothInHand } from '@rocchetto/core/lay/cloth.ts';
import type { LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { WAYS } from '@rocchetto/core/lay/ways.ts';
import { z } from 'zod';
import { ClothId } from './laid.ts';
import { lengthText } from './length.ts';
import { made } from './made.ts';
import { toCm } from './parse-length.ts';
import { name } from './texts.ts';

const onCloth = (what: string, max: number) => lengthText({ min: 0, max, name: what });
/** The cloth that lies there, as a hand wrote it. */
export const ClothWire = z.strictObject({
  width: lengthText({ min: 10, max: 400, name: 'width of the cloth' }),
  /** null: to be bought */
  length: lengthText({ min: 1, max: 10_000, name: 'length of the cloth' }).nullable(),
  selvedge: onCloth('selvedge', 20),
  /** per cent of its length, when it is washed before it is cut */
  shrinks: z.number().min(0, 'Cloth shrinks by 0 to 30 %.').max(30, 'Cloth shrinks by 0 to 30 %.').default(0),
  oneWay: z.boolean(),
  bothSides: z.boolean(),
  repeat: z
    .strictObject({
      along: lengthText({ min: 0.2, max: 200, name: 'repeat' }),
      line: z.string().max(40),
    })
    .nullable(),
  flaws: z
    .array(
      z.strictObject({
        along: onCloth('place of a flaw', 10_000),
        across: onCloth('place of a flaw', 400),
        length: onCloth('length of a flaw', 1000),
        width: onCloth('width of a flaw', 400),
      }),
    )
    .max(20, 'Mark up to 20 flaws.'),
  /** cloth to keep for fringe, binding, straps */
  strips: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1, 'Say what the strip is for.').max(80),
        length: lengthText({ min: 1, max: 2000, name: 'length of a strip' }),
        width: lengthText({ min: 0.5, max: 400, name: 'width of a strip' }),
        count: z.number().int().min(1).max(40, 'Keep up to 40 strips of one kind.'),
        way: z.enum(['along', 'across', 'bias'], 'A strip runs along, across or on the bias.'),
      }),
    )
    .max(10, 'Keep up to ten kinds of strips.')
    .default([]),
});
export type ClothWire = z.infer<typeof ClothWire>;

export const clothInHand = (w: ClothWire): ClothInHand => ({
  width: toCm(w.width),
  length: w.length === null ? null : toCm(w.length),
  selvedge: toCm(w.selvedge),
  shrinks: w.shrinks,
  oneWay: w.oneWay,
  bothSides: w.bothSides,
  repeat: w.repeat && { along: toCm(w.repeat.along), line: w.repeat.line },
  flaws: w.flaws.map((f) => ({
    along: toCm(f.along),
    across: toCm(f.across),
    length: toCm(f.length),
    width: toCm(f.width),
  })),
  strips: w.strips.map((s) => ({ ...s, length: toCm(s.length), width: toCm(s.width) })),
});

const place = z.number().min(-1000).max(100_000);
/** Where every piece lies, cm. */
export const LayWire = z.strictObject({
  way: z.enum(WAYS, 'Choose a way to lay the cloth.'),
  length: place,
  stages: z
    .array(
      z.strictObject({
        from: place,
        length: place,
        strips: z
          .array(
            z.strictObject({
              across: place,
              width: place,
              double: z.boolean(),
              folds: z.array(z.enum(['left', 'right'])).max(2),
              pieces: z
                .array(
                  z.strictObject({
                    id: z.string().max(200),
                    piece: z.string().max(200),
                    turn: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
                    mirrored: z.boolean(),
                    half: z.boolean(),
                    x: place,
                    y: place,
                  }),
                )
                .max(400, 'A lay holds up to 400 pieces.'),
            }),
          )
          .max(2),
      }),
    )
    .max(2),
});
export type LayWire = z.infer<typeof LayWire>;

/** What is kept of a lay. */
export const StoredLay = z.strictObject({ version: z.literal(1), cloth: ClothWire, lay: LayWire });
export type StoredLay = z.infer<typeof StoredLay>;

/** A lay to be kept: for these panels, over the one of this id, 0 where there is none. */
export const LayKeep = z.strictObject({
  of: ClothId,
  name,
  panels: z.string().max(80),
  over: z.number().int().min(0),
  cloth: ClothWire,
  lay: LayWire,
});
export type LayKeep = z.infer<typeof LayKeep>;

export const KeptLay = z.strictObject({
  id: z.number(),
  name: z.string(),
  revision: z.number(),
  by: z.string(),
  at: z.string(),
  cloth: ClothWire,
  lay: LayWire,
  /** the panels have changed since: it is looked at, not cut from */
  stale: z.boolean(),
});
export type KeptLay = z.infer<typeof KeptLay>;

/** The pieces of an order by cloth, and the lays that are kept. */
export const ClothView = z.strictObject({
  order: z.string(),
  revision: z.number(),
  status: z.enum(['draft', 'agreed', 'cut']),
  cloths: z
    .array(
      z.strictObject({
        of: ClothId,
        name: z.string(),
        /** as the brief has it, to begin with */
        cloth: ClothWire,
        pieces: z.array(made<LayPiece>()).readonly(),
        /** what the pieces are known by: another draft has another */
        panels: z.string(),
        /** length by rows, as the sheet told it before; null where it is not known */
        rows: z.number().nullable(),
        kept: KeptLay.nullable(),
      }),
    )
    .readonly(),
});
export type ClothView = z.infer<typeof ClothView>;

export const ClothQuery = z.object({ of: ClothId.default('outer') });

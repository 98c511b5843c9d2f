import type { Measured } from '../measures/session.ts';
import type { Caution, Check, Figure, Notion, Piece } from '../sheet/figure.ts';
import type { SheetInput } from '../sheet/input.ts';
import type { Cm } from '../units/length.ts';
import type { PartBrief } from './brief.ts';

/** What a part wants measured: without `needs` its figures are absent, without `helps` it falls back. */
export interface Wants {
  readonly needs: readonly string[];
  readonly helps: readonly string[];
}

/** What a part works with. */
export interface PartContext {
  readonly input: SheetInput;
  readonly measured: ReadonlyMap<string, Measured>;
  /** overrides of one figure, latest last */
  readonly overridesOf: (figure: string) => SheetInput['overrides'];
}

/** What a part adds to the sheet, in printing order. Letters are given by the sheet. */
export interface PartResult {
  readonly figures: readonly Figure[];
  readonly pieces: readonly Piece[];
  readonly notions: readonly Notion[];
  readonly allowances: readonly { readonly name: string; readonly cm: Cm }[];
  readonly checks: readonly Omit<Check, 'accepted'>[];
  readonly cautions: readonly Caution[];
}

/** A garment part: data and arithmetic in one place. Adding a part is adding one of these. */
export interface GarmentPart<B extends PartBrief = PartBrief> {
  readonly id: B['part'];
  readonly name: string;
  readonly wants: (brief: B) => Wants;
  readonly compute: (context: PartContext, brief: B) => PartResult;
}

import type { FitClass, School } from '../../garment/tables/fit.ts';
import type { Cm } from '../../units/length.ts';
import type { HouseRounding } from '../../units/rounding.ts';

// The shape in which sheets were kept before garments had several parts (version 1). Read for ever, never written.

interface TermV1 {
  readonly kind: string;
  readonly label: string;
  readonly cm: Cm;
  readonly because: string;
}
export interface ShareV1 {
  readonly exact: Cm;
  readonly rounded: Cm;
  readonly terms: readonly TermV1[];
}
export interface FigureV1 {
  readonly id: string;
  readonly letter: string;
  readonly name: string;
  readonly group: 'girth' | 'level' | 'length' | 'dart' | 'band' | 'opening';
  readonly terms: readonly TermV1[];
  readonly rule: Cm | null;
  readonly finished: Cm | null;
  readonly marked: Cm | null;
  readonly front: ShareV1 | null;
  readonly back: ShareV1 | null;
  readonly tolerance: Cm;
  readonly marks: readonly string[];
  readonly overrides: readonly {
    readonly id: string;
    readonly figure: string;
    readonly target: 'wearing' | 'style' | 'finished';
    readonly value: Cm;
    readonly written: string;
    readonly reason: string;
    readonly by: string;
    readonly at: string;
  }[];
  readonly note: string;
  readonly why: readonly string[];
}
export interface SkirtV1 {
  readonly part: 'straight-skirt';
  readonly band: Cm;
  readonly hemOpening: { readonly kind: 'none' | 'vent' | 'slit'; readonly height: Cm };
  readonly zip: 'centre-back' | 'left-side';
}
export interface SheetV1 {
  readonly input: {
    readonly head: {
      readonly order: string;
      readonly what: string;
      readonly client: string;
      readonly occasion: string;
      readonly wornOn: string;
      readonly dueOn: string;
      readonly responsible: string;
    };
    readonly brief: {
      readonly fit: FitClass;
      readonly school: School;
      readonly cloth: {
        readonly name: string;
        readonly width: Cm | null;
        readonly stretch: number;
        readonly weight: number | null;
      };
      readonly lining: string;
      readonly beneath: string;
      readonly shoes: string;
      readonly heel: Cm | null;
      readonly parts: readonly SkirtV1[];
    };
    readonly session: {
      readonly date: string;
      readonly measurer: string;
      readonly scribe: string;
      readonly beneath: string;
      readonly heel: Cm | null;
      readonly waistRule: string;
      readonly hipRule: string;
    };
    readonly house: { readonly rounding: HouseRounding };
    readonly given?: { readonly clothWidth?: string | null; readonly heel?: string | null };
    readonly timeZone?: string;
  };
  readonly figures: readonly FigureV1[];
  readonly pieces: readonly {
    readonly name: string;
    readonly layer: string;
    readonly count: number;
    readonly cut: string;
    readonly grain: string;
    readonly width: Cm | null;
    readonly length: Cm | null;
    readonly why: string;
    readonly note: string;
  }[];
  readonly notions: readonly { readonly name: string; readonly length: Cm | null; readonly note: string }[];
  readonly allowances: readonly { readonly name: string; readonly cm: Cm }[];
  readonly checks: readonly {
    readonly code: string;
    readonly figure: string | null;
    readonly state: 'passed' | 'warned' | 'accepted';
    readonly sentence: string;
    readonly accepted: { readonly by: string; readonly at: string; readonly reason: string } | null;
  }[];
  readonly cautions: readonly { readonly code: string; readonly sentence: string }[];
  readonly fit: { readonly workroom: string; readonly envelope: string; readonly ease: Cm } | null;
  readonly missing: readonly string[];
}

export interface PrintedFigureV1 {
  readonly id: string;
  readonly letter: string;
  readonly name: string;
  readonly group: FigureV1['group'];
  readonly body: string;
  readonly tape: string;
  readonly wearing: string;
  readonly style: string;
  readonly layers: string;
  readonly stretch: string;
  readonly finished: string;
  readonly marked: string;
  readonly front: string;
  readonly back: string;
  readonly tolerance: string;
  readonly drift: string;
  readonly mark: string;
  readonly rule: string;
  readonly note: string;
  readonly why: readonly string[];
}
export interface PrintedV1 {
  readonly unit: 'cm' | 'in';
  readonly head: readonly (readonly [label: string, text: string])[];
  readonly fit: string;
  readonly rounding: string;
  readonly figures: readonly PrintedFigureV1[];
  readonly pieces: readonly {
    readonly piece: string;
    readonly layer: string;
    readonly cut: string;
    readonly size: string;
    readonly grain: string;
    readonly why: string;
    readonly note: string;
  }[];
  readonly notions: readonly { readonly name: string; readonly text: string }[];
  readonly allowances: readonly { readonly name: string; readonly text: string }[];
  readonly checks: readonly { readonly code: string; readonly state: string; readonly text: string }[];
  readonly cautions: readonly string[];
  readonly missing: readonly string[];
}

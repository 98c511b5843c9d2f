import type { Cm } from '../units/length.ts';

interface Common {
  readonly label: string;
  /** a word or two beside the field */
  readonly hint?: string;
  /** asked only while another field has one of these values */
  readonly when?: { readonly field: string; readonly is: readonly (string | boolean)[] };
}
/** A length, written by a hand with its unit. Bounds in cm. */
export interface LengthField extends Common {
  readonly kind: 'length';
  readonly min: number;
  readonly max: number;
  /** as a hand would write it; null leaves it open */
  readonly default: string | null;
}
export interface ChoiceField extends Common {
  readonly kind: 'choice';
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly default: string;
}
export interface YesNoField extends Common {
  readonly kind: 'yes-no';
  readonly default: boolean;
}
/** A number without a unit: pieces, a ratio. */
export interface CountField extends Common {
  readonly kind: 'count';
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly default: number;
}
export interface TextField extends Common {
  readonly kind: 'text';
  readonly max: number;
  readonly default: string;
}

/** What a brief asks about a part: pure data, from which schema, form and words are made. */
export type Field = LengthField | ChoiceField | YesNoField | CountField | TextField;
export type Fields = Readonly<Record<string, Field>>;

type ValueOf<F> = F extends { kind: 'length'; default: string }
  ? Cm
  : F extends { kind: 'length' }
    ? Cm | null
    : F extends { kind: 'choice'; options: readonly { value: infer V }[] }
      ? V
      : F extends { kind: 'yes-no' }
        ? boolean
        : F extends { kind: 'count' }
          ? number
          : string;
/** A part's brief as core reads it: lengths in cm. */
export type ValuesOf<F extends Fields> = { readonly [K in keyof F]: ValueOf<F[K]> };

/** The choice field of these options, the first the default. */
export const choice = <const O extends readonly (readonly [value: string, label: string])[]>(
  label: string,
  options: O,
  more: Partial<Omit<ChoiceField, 'kind' | 'options' | 'label'>> = {},
) => ({
  kind: 'choice' as const,
  label,
  options: options.map(([value, words]) => ({ value, label: words })) as readonly {
    readonly value: O[number][0];
    readonly label: string;
  }[],
  default: options[0]![0] as string,
  ...more,
});

/** Whether a field is asked, given what the others say. */
export const asked = (field: Field, values: Readonly<Record<string, unknown>>): boolean =>
  !field.when || field.when.is.includes(values[field.when.field] as string | boolean);

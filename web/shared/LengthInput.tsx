import { readLength, type SheetUnit } from '@rocchetto/core';
import { Input, type InputProps } from 'antd';
import { parsedHint } from './parsed-hint.ts';

type Props = Omit<InputProps, 'value'> & {
  readonly value?: string | null;
  /** the field's unit when none is written */
  readonly unit: SheetUnit;
};

/** A field for a length: its unit stands in it while none is written, and it shows what it understood. */
export function LengthInput({ value, unit, ...rest }: Props) {
  const said = parsedHint(value, unit, true);
  const text = (value ?? '').trim();
  const read = readLength(text, unit);
  // “0 in” is no length of a body, but its unit is written all the same.
  const given = read.ok ? read.unitGiven : /\p{L}|["″]$/u.test(text);
  return (
    <>
      {/* Always there, if empty: a field that gets one while it is typed in would lose the focus. */}
      <Input {...rest} value={value ?? ''} suffix={<span className="soft">{given ? '' : unit}</span>} />
      {said && (
        <div className="soft understood-length" aria-live="polite">
          {said}
        </div>
      )}
    </>
  );
}

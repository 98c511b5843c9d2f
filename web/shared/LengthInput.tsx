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
  const read = readLength((value ?? '').trim(), unit);
  return (
    <>
      {/* Always there, if empty: a field that gets one while it is typed in would lose the focus. */}
      <Input
        {...rest}
        value={value ?? ''}
        suffix={<span className="soft">{read.ok && read.unitGiven ? '' : unit}</span>}
      />
      {said && (
        <div className="soft understood-length" aria-live="polite">
          {said}
        </div>
      )}
    </>
  );
}

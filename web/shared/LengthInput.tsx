import type { SheetUnit } from '@rocchetto/core';
import { Input, type InputProps } from 'antd';
import { understood } from './understood.ts';

type Props = Omit<InputProps, 'value'> & {
  readonly value?: string | null;
  /** the field's unit when none is written */
  readonly unit: SheetUnit;
};

/** A field for a length: it shows what it understood. */
export function LengthInput({ value, unit, ...rest }: Props) {
  const said = understood(value, unit);
  return (
    <>
      <Input {...rest} value={value ?? ''} />
      {said && (
        <div className="soft understood-length" aria-live="polite">
          {said}
        </div>
      )}
    </>
  );
}

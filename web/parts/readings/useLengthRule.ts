import { readLength } from '@rocchetto/core';
import type { Rule } from 'antd/es/form';
import { useMemo } from 'react';

/** A form rule: the field is empty, zero, or a length the tape could say. */
export function useLengthRule(unit: 'cm' | 'in'): Rule {
  return useMemo(
    () => ({
      validator: (_: unknown, text: string | null | undefined) => {
        if (!text?.trim()) return Promise.resolve();
        const read = readLength(text, unit);
        return read.ok || read.code === 'zero' ? Promise.resolve() : Promise.reject(new Error(read.sentence));
      },
    }),
    [unit],
  );
}

import { readStretch, stretchClass } from '@rocchetto/core';
import { Input } from 'antd';
import { useState } from 'react';

interface Props {
  readonly id?: string;
  readonly value?: number | null;
  readonly onChange?: (percent: number) => void;
}

/** How far the cloth stretches: per cent, or a fold relaxed and stretched; it shows what it understood. */
export function StretchInput({ id, value, onChange }: Props) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (value ? String(value) : '0');
  const read = readStretch(shown === '' ? '0' : shown);
  return (
    <>
      <Input
        {...(id ? { id } : {})}
        value={shown}
        placeholder="50, or 10 to 15"
        maxLength={30}
        status={read.ok ? '' : 'error'}
        onChange={(e) => {
          setText(e.target.value);
          const now = readStretch(e.target.value === '' ? '0' : e.target.value);
          if (now.ok) onChange?.(now.percent);
        }}
        onBlur={() => read.ok && setText(null)}
      />
      <div className="soft understood-length" aria-live="polite">
        {read.ok ? said(read.percent) : read.sentence}
      </div>
    </>
  );
}

const said = (percent: number): string => {
  if (percent === 0) return 'a plain woven';
  const { name, percent: off } = stretchClass(percent);
  return `${percent} %, ${name}${off > 0 ? `: close takes ${off} % off the body` : ': nothing is taken off'}`;
};

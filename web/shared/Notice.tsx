import type { ReactNode } from 'react';

interface Props {
  /** something to look at, something wrong, something done */
  readonly tone?: 'look' | 'bad' | 'good';
  readonly children: ReactNode;
}

/** A sentence that stands out from the page. What is wrong is told to a screen reader at once. */
export function Notice({ tone = 'look', children }: Props) {
  return (
    <div className={`notice ${tone}`} role={tone === 'bad' ? 'alert' : 'status'}>
      {children}
    </div>
  );
}

import type { ReactNode } from 'react';

interface Props {
  /** what it is: something to look at, something wrong, something done */
  readonly is?: 'look' | 'bad' | 'good';
  readonly children: ReactNode;
}

/** A sentence that stands out from the page. What is wrong is told to a screen reader at once. */
export function Notice({ is = 'look', children }: Props) {
  return (
    <div className={`notice ${is}`} role={is === 'bad' ? 'alert' : 'status'}>
      {children}
    </div>
  );
}

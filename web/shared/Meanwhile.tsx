import type { ReactNode } from 'react';

/**
 * What comes by itself while a hand is at work: another hand's save. It stands at the foot of the window, so that
 * nothing moves away from under a hand that is about to press it, and a press goes through it.
 */
export const Meanwhile = ({ children }: { children: ReactNode }) => (
  <p className="meanwhile" role="status">
    {children}
  </p>
);

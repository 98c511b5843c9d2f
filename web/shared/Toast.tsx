import type { ReactNode } from 'react';

/**
 * What is told while a hand goes on working: another hand's save, what was just given. It stands at the foot of the
 * window, so that nothing moves away from under a hand that is about to press it; a press goes through it, but for a
 * key of its own.
 */
export const Toast = ({ children }: { children: ReactNode }) => (
  <p className="meanwhile" role="status">
    {children}
  </p>
);

import { type Action, type Me, may } from '@rocchetto/contract';
import { createContext, useContext } from 'react';

export const MeContext = createContext<Me | null>(null);

/** Who is signed in. Only inside the frame. */
export function useMe(): Me {
  const me = useContext(MeContext);
  if (!me) throw new Error('useMe outside the frame');
  return me;
}

/** Whether the one signed in may do this; the server asks again. */
export const useMay = (action: Action): boolean => may(useMe().role, action);

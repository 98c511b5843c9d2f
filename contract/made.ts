import { z } from 'zod';

/** A shape that core makes and names: that it is there is looked at, what is in it core answers for. */
export const made = <T>() => z.custom<T>((v) => v !== undefined && v !== null);

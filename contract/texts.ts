import { z } from 'zod';

/** What a hand writes: texts with their limits and the sentence that says what is missing. */
export const words = (max: number) => z.string().trim().max(max).default('');
export const reason = (message: string) => z.string().trim().min(1, message).max(500);
export const by = (message: string) => z.string().trim().min(1, message).max(100);
export const name = z
  .string()
  .trim()
  .min(1, 'Enter a name.')
  .max(200, 'The name is over 200 characters. Shorten it.');
export const text = z.string().max(2000, 'This text is over 2,000 characters. Shorten it.').default('');

import { z } from 'zod';

/** What a hand writes: texts with their limits and the sentence that says what is missing. */
export const words = (max: number) => z.string().trim().max(max).default('');
export const reason = (message: string) => z.string().trim().min(1, message).max(500);
export const by = (message: string) => z.string().trim().min(1, message).max(100);
export const name = z
  .string()
  .trim()
  .min(1, 'A name is needed.')
  .max(200, 'A name can hold 200 characters at most.');
export const text = z.string().max(2000, 'This text is longer than 2,000 characters.').default('');

import { z } from 'zod';
import { Version } from './basics.ts';

/** What a photograph shows: the garment as it is, or what it should become. */
export const PHOTO_OF = ['garment', 'sketch', 'picture', 'swatch', 'trim'] as const;
export type PhotoOf = (typeof PHOTO_OF)[number];

const words = (max: number, message: string) => z.string().trim().min(1, message).max(max);

/** What an open question holds back until it is decided. */
export const HOLDS = ['nothing', 'sheet', 'cut', 'hand-over'] as const;
export type Holds = (typeof HOLDS)[number];

/** Something about the garment that is not decided yet. */
export const QuestionWrite = z.strictObject({
  what: words(300, 'Enter the question.'),
  /** who decides: the client, or who else */
  decides: z.string().trim().max(100).default(''),
  /** the kind of appointment by which it is decided; null for any time */
  byKind: z.string().max(60).nullable().default(null),
  holds: z.enum(HOLDS).default('nothing'),
});
export type QuestionWrite = z.infer<typeof QuestionWrite>;
export const QuestionDecided = z.strictObject({
  version: Version,
  /** null opens it again */
  decision: words(500, 'Enter what was decided.').nullable(),
  name: z.string().trim().max(100).default(''),
});
export const Question = QuestionWrite.extend({
  id: z.number(),
  askedBy: z.string(),
  askedAt: z.string(),
  decision: z.string().nullable(),
  decidedName: z.string(),
  decidedAt: z.string().nullable(),
  version: z.number(),
});
export type Question = z.infer<typeof Question>;

/** What the client likes, in words about the cloth. */
export const LikeWrite = z.strictObject({
  words: words(300, 'Enter what the client likes.'),
});
export const Like = z.strictObject({
  id: z.number(),
  words: z.string(),
  by: z.string(),
  at: z.string(),
  /** the order at which it was said */
  order: z.string().nullable(),
});
export type Like = z.infer<typeof Like>;

/** What an order’s design has beside its brief: open questions, and what the client likes. */
export const DesignView = z.strictObject({
  questions: z.array(Question).readonly(),
  likes: z.array(Like).readonly(),
});
export type DesignView = z.infer<typeof DesignView>;

/** Why something waits for a question; '' when nothing does. */
export const heldBack = (
  questions: readonly Pick<Question, 'what' | 'holds' | 'decision'>[],
  by: Holds,
): string => {
  const open = questions.filter((q) => q.holds === by && q.decision === null);
  return open.length === 0
    ? ''
    : `Not decided yet: ${open.map((q) => q.what.replace(/[.?!]+$/, '')).join('; ')}. Decide it first.`;
};

import { judge, type RawCheck } from '../figure/check.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';

/** What is expected where the edge of a part meets the edge that another gives it. Lengths cm. */
export type Meeting =
  /** as long, or a little longer and eased on */
  | { readonly kind: 'equal' }
  /** longer by a wanted amount, which is shrunk in: a sleeve's cap */
  | { readonly kind: 'eased'; readonly least: Cm; readonly most: Cm }
  /** sewn it is as long; the cloth before was longer by what gathers or pleats take */
  | { readonly kind: 'gathered' | 'pleated'; readonly cloth: Cm };

/** Edges that are sewn together are equal within this, cm (handbook of the house; common practice). */
export const AGREE = cm(0.3);
/** What may be eased on where two edges should be equal, cm (common practice). */
export const MOST_EASED = cm(1);

/** What a cap is longer than its armhole, cm: woven 2 to 4, knit up to 1.5 (common practice, no source). */
export const capEase = (stretch: number): Meeting =>
  stretch > 0 ? { kind: 'eased', least: cm(0), most: cm(1.5) } : { kind: 'eased', least: cm(2), most: cm(4) };

/** Two sewn edges that meet, cm, and what is expected of them. */
export interface Edges {
  /** waist, armhole, neck */
  readonly edge: string;
  /** where that is: “at the waist”, “at the seam under the bust” */
  readonly at: string;
  readonly gives: { readonly name: string; readonly sewn: Cm };
  readonly takes: { readonly name: string; readonly sewn: Cm };
  readonly meeting: Meeting;
}

/** Do the two meet as they should? One sentence with both lengths, and by how much they agree. */
export function meetingCheck({ edge, at, gives, takes, meeting }: Edges): RawCheck {
  const more = cm(takes.sewn - gives.sewn);
  const off = Math.abs(more) < 0.005 ? 'equal' : `${p(Math.abs(more))} apart`;
  const both = `${gives.name} and ${takes.name} meet ${at}: ${p(gives.sewn)} and ${p(takes.sewn)} sewn`;
  const check = (holds: boolean, rest: string) => judge(holds, `join-${edge}`, edge, `${both}, ${rest}.`);
  const near = Math.abs(more) <= AGREE + 1e-9;
  switch (meeting.kind) {
    case 'equal':
      return near || more < 0 || more > MOST_EASED + 1e-9
        ? check(near, off)
        : check(true, `${p(more)} is eased on`);
    case 'eased':
      return check(
        more >= meeting.least - 1e-9 && more <= meeting.most + 1e-9,
        `ease ${p(more)}, wanted ${p(meeting.least)} to ${p(meeting.most)}`,
      );
    default:
      return check(
        near && meeting.cloth >= takes.sewn - AGREE,
        `${off}; ${p(meeting.cloth)} of cloth is ${meeting.kind} into it (${(meeting.cloth / takes.sewn).toFixed(2)} : 1)`,
      );
  }
}

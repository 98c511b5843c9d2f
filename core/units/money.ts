/** A sum as a hand wrote it: the sum in whole hundredths, or a sentence that says what is wrong with it. */
export type MoneyRead =
  | { readonly ok: true; readonly amount: number | null }
  | { readonly ok: false; readonly sentence: string };

const NUMBER = /^(\d+|\d{1,3}([ ’'.,])\d{3}(\2\d{3})*)([.,](\d{1,2}))?$/;

/**
 * Reads a sum of money: `25`, `25.50`, `25,5`, `25 €`, `£ 1,250.00`. A currency's sign or letters before or behind it
 * are left out: the studio has one. Nothing written is no sum (`null`); what cannot be read is never nothing.
 */
export function readMoney(typed: string): MoneyRead {
  const text = typed.normalize('NFKC').trim();
  if (text === '') return { ok: true, amount: null };
  const bare = text
    .replace(/^(?:\p{Sc}|[A-Za-z]{2,3}\.?)\s*/u, '')
    .replace(/\s*(?:\p{Sc}|[A-Za-z]{2,3}\.?)$/u, '')
    .replace(/[.,]\s?(?:-|–|—)+$/, '')
    .replace(/\s+/g, ' ');
  const wrong = (why: string): MoneyRead => ({
    ok: false,
    sentence: `“${typed.trim()}” can’t be read as a price: ${why} Type 25 or 25.50.`,
  });
  if (/^[-–—]\s*\d/.test(bare)) return wrong('it is below zero.');
  const found = NUMBER.exec(bare);
  // `1,250` is a thousand and more, `1.250,50` too; of `1.250` alone nobody knows.
  if (/^\d+\.\d{3}$/.test(bare)) return wrong('it may be a thousand or a few.');
  // The mark of thousands does not part the hundredths too.
  if (found?.[2] && found[4]?.startsWith(found[2])) return wrong('its marks can be read in two ways.');
  if (!found)
    return wrong(
      /[.,]\d{3,}$/.test(bare) ? 'a price has two places after the point.' : 'it is not a number.',
    );
  const amount = Number(`${found[1]!.replace(/\D/g, '')}.${found[5] ?? '0'}`);
  return amount > 1_000_000 ? wrong('it is over 1,000,000.') : { ok: true, amount };
}

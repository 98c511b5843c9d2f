/**
 * Whether a request has this answer already. Compared weakly, as RFC 9110 (13.1.2, 8.8.3.2) asks for `If-None-Match`:
 * an answer that was packed on its way carries its tag as a weak one, and several tags may be named.
 */
export function hasTag(asked: string | undefined, etag: string): boolean {
  if (asked === undefined) return false;
  const bare = (t: string) =>
    t
      .trim()
      .replace(/^W\//, '')
      .replace(/-(gzip|br|deflate)"$/, '"');
  return asked.trim() === '*' || asked.split(',').some((t) => bare(t) === bare(etag));
}

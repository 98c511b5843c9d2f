/** A whole, its fraction and its unit stay on one line: their spaces become unbreakable. */
export const keepTogether = (text: string): string =>
  text.replace(/(\d) (?=\d+\u2044\d)/g, '$1\u00a0').replace(/(\d) (?=(?:cm|in|mm)\b)/g, '$1\u00a0');

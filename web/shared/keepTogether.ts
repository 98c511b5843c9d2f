/** A whole, its fraction and its unit stay on one line, and so do hours and minutes: their spaces become unbreakable. */
export const keepTogether = (text: string): string =>
  text
    .replace(/(\d) (?=\d+\u2044\d)/g, '$1\u00a0')
    .replace(/(\d) (?=(?:cm|in|mm|h|min)\b)/g, '$1\u00a0')
    .replace(/(\d\u00a0h) (?=\d)/g, '$1\u00a0');

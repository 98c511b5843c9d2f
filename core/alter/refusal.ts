/** An alteration that the cloth cannot give, in a sentence; nothing was changed. */
export class CannotAlter extends Error {
  override readonly name = 'CannotAlter';
}

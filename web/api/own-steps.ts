interface Own {
  /** the last step as it was asked for, and the version it was sent on top of */
  what: string;
  sent: number;
  /** the version each of this page's steps was sent on top of, and the one that it made */
  readonly made: Map<number, number>;
}

const own = new Map<string, Own>();
/** The record of a step's address, `/<what>/<id>`. */
export const recordOf = (address: string) => address.slice(0, address.lastIndexOf('/'));

/**
 * The version that a step is sent on top of. A hand that goes on before its own last step has come back to the screen
 * still holds the version from before; what only this page has done since is not somebody else's. The very same step
 * pressed again is sent as it was, so that it keeps its key.
 * @param address of the step, `/<what>/<id>/<step>`
 */
export function onTop(address: string, body: { readonly version: number }): number {
  const known = own.get(recordOf(address));
  if (!known) return body.version;
  if (known.what === JSON.stringify([address, body])) return known.sent;
  let version = body.version;
  for (let next = known.made.get(version); next !== undefined; next = known.made.get(version)) version = next;
  return version;
}

/** The server has taken a step, asked for with this body and sent on top of `sent`; the record has this version now. */
export function taken(address: string, body: object, sent: number, version: number): void {
  const id = recordOf(address);
  const known = own.get(id) ?? { what: '', sent, made: new Map<number, number>() };
  known.what = JSON.stringify([address, body]);
  known.sent = sent;
  if (version > sent) known.made.set(sent, version);
  own.delete(id);
  own.set(id, known);
  if (own.size > 100) own.delete(own.keys().next().value!);
}

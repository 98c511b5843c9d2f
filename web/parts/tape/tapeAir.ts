/**
 * The air between a tape and a station: in the program that ships, a channel of this browser, which carries lines of
 * text as a wireless link would. A real tape's driver would speak here and nowhere else.
 */
const NAME = 'rocchetto-tape';

export interface TapeAir {
  readonly send: (line: string) => void;
  readonly close: () => void;
}
export function tapeAir(onLine: (line: unknown) => void): TapeAir {
  const channel = new BroadcastChannel(NAME);
  channel.onmessage = (e: MessageEvent<unknown>) => onLine(e.data);
  return { send: (line) => channel.postMessage(line), close: () => channel.close() };
}

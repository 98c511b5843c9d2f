/** The cache of what the studio's book said last on this device. */
export const OFFLINE_CACHE = 'told';
/** Header of an answer that comes from there: when the server gave it. */
export const OFFLINE_CACHE_AT = 'x-told-at';
/** Said to the service worker by a page whose hand signs in or out. */
export const FORGET = 'forget';

/** What a hand at the tape or at the mirror needs to go on with: never a search, a file, a picture or the diary. */
const KEPT = [
  /^\/api\/(me|garments|staff|orders|house\/rules|house\/bench)$/,
  /^\/api\/orders\/\d+(\/(alterations|design|sheet|photos|learnt))?$/,
  /^\/api\/clients\/\d+(\/(earlier|likes|history))?$/,
  /^\/api\/sessions\/[0-9a-f-]{36}$/,
];

/** Whether the answer at an address may be kept for when the studio's book cannot be reached. */
export const keepable = ({ pathname, searchParams }: URL): boolean =>
  !searchParams.has('q') && KEPT.some((k) => k.test(pathname));

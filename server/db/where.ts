/** The server's folder's address, from the source and from what is built of it into `dist/` alike; ends with a slash. */
export const SERVER = new URL('..', import.meta.url);

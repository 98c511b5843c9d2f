import type { RouteObject } from 'react-router';

/** A page's file that could not be fetched is asked for again after these, ms: a network that has just come back drops what was on its way. */
const AGAIN = [300, 1200] as const;

const later = (ms: number) => new Promise<void>((go) => setTimeout(go, ms));

/** What a load gives, tried again a little later when it fails. @throws what the last try threw */
export async function patiently<T>(load: () => Promise<T>): Promise<T> {
  for (const ms of AGAIN) {
    try {
      return await load();
    } catch {
      await later(ms);
    }
  }
  return load();
}

/** Routes whose pages are loaded patiently. */
export const patient = (routes: RouteObject[]): RouteObject[] =>
  routes.map((route): RouteObject => {
    const { lazy } = route;
    const own = typeof lazy === 'function' ? { ...route, lazy: () => patiently(lazy) } : route;
    return own.children ? ({ ...own, children: patient(own.children) } as RouteObject) : own;
  });

const KEY = 'opened-anew';
/** A page is opened anew once in so long, ms: what stays away is then told, not tried for ever. */
const ONCE_IN = 15_000;

/**
 * Whether a page that broke should be opened anew by itself: its file did not come, and the browser keeps that in mind
 * for as long as the page lives. Nothing typed is lost by it: the page that was left has saved, and this one never stood.
 */
export function opensAnew(error: unknown, address: string, now: number): boolean {
  if (!(error instanceof Error) || !/dynamically imported module|module script failed/i.test(error.message))
    return false;
  const [last, at] = (sessionStorage.getItem(KEY) ?? '').split(' ');
  if (last === address && now - Number(at) < ONCE_IN) return false;
  sessionStorage.setItem(KEY, `${address} ${now}`);
  return true;
}

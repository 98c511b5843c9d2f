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

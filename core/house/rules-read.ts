/** The mark of rules whose names were listed: a name more or less is then seen too. */
const LISTED = '*';

/** Rules, and by path ("ease.hip.fitted") which of them whatever used these has looked at since. */
export interface WatchedRules<T> {
  readonly rules: T;
  readonly read: ReadonlySet<string>;
}

/** The same rules, watched. What is read of them is written down; nothing of them can be changed. */
export function watchedRules<T extends object>(rules: T): WatchedRules<T> {
  const read = new Set<string>();
  const watch = (of: object, at: string): object => {
    const inner = new Map<string, object>();
    // A copy: of a frozen one a proxy may give nothing but what lies in it.
    return new Proxy(Object.assign(Array.isArray(of) ? [] : {}, of), {
      get(target, key) {
        const value: unknown = Reflect.get(target, key);
        if (typeof key === 'symbol') return value;
        const path = at + key;
        if (typeof value !== 'object' || value === null) {
          read.add(path);
          return value;
        }
        const watched = inner.get(key) ?? watch(value, `${path}.`);
        inner.set(key, watched);
        return watched;
      },
      has(target, key) {
        read.add(at + String(key));
        return Reflect.has(target, key);
      },
      ownKeys(target) {
        read.add(at + LISTED);
        return Reflect.ownKeys(target);
      },
      set: () => false,
      deleteProperty: () => false,
    });
  };
  return { rules: watch(rules, '') as T, read };
}

/** Where two tables of rules are unlike: by path, down to where one of them has no table any more. */
export function rulesDiffer(a: unknown, b: unknown, at = ''): readonly string[] {
  const isTable = (x: unknown): x is Readonly<Record<string, unknown>> => typeof x === 'object' && x !== null;
  if (!isTable(a) || !isTable(b)) return Object.is(a, b) ? [] : [at];
  const inner = at === '' ? '' : `${at}.`;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
    rulesDiffer(a[key], b[key], inner + key),
  );
}

/** Whether what was read of rules is any of what differs: if not, whatever read them would come out the same. */
export const readsAny = (read: ReadonlySet<string>, differ: readonly string[]): boolean =>
  differ.some((d) => {
    for (const r of read)
      if (
        r === d ||
        r.startsWith(`${d}.`) ||
        d.startsWith(`${r}.`) ||
        (r.endsWith(LISTED) && d.startsWith(r.slice(0, -1)))
      )
        return true;
    return false;
  });

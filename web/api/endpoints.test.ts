import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

// Two endpoints of one name are one: the page that is opened second would call what the first one calls.
it('no two endpoints of the pages have the same name', () => {
  const names = readdirSync(import.meta.dirname)
    .filter((f) => f.endsWith('.ts') && !f.includes('.test.'))
    .flatMap((f) =>
      [
        ...readFileSync(`${import.meta.dirname}/${f}`, 'utf8').matchAll(
          /^ {4}(\w+): b\.(?:query|mutation)\b/gm,
        ),
      ].map((m) => m[1]!),
    );
  expect(names.length).toBeGreaterThan(90);
  expect(names.filter((n, i) => names.indexOf(n) !== i)).toEqual([]);
});

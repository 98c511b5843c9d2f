import { describe, expect, it } from 'vitest';
import { keepable } from './offline-cache.ts';

const kept = (path: string) => keepable(new URL(path, 'http://studio.test'));

describe('what a device keeps of what the book said', () => {
  it('is what a hand at the tape or the mirror goes on with', () => {
    for (const path of ['me', 'orders', 'orders/12', 'orders/12/sheet', 'clients/3/earlier?except=x'])
      expect(kept(`/api/${path}`), path).toBe(true);
    expect(kept('/api/sessions/5f1c2f7e-6f0c-4f3e-9d61-0a4c6f3a2b11')).toBe(true);
  });
  it('is never a search, a stream, a file, a picture, or anything of another’s', () => {
    for (const path of [
      'clients?q=ada',
      'orders?q=12',
      'live',
      'clients/3/data.zip',
      'orders/12/sheet.pdf',
      'photos/4/picture.jpg',
      'diary?from=2026-11-01',
      'feeds',
      'imports/3',
    ])
      expect(kept(`/api/${path}`), path).toBe(false);
  });
});

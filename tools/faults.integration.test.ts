import { seedDemo } from '@rocchetto/demo/seed.ts';
import { startTestApp } from '@rocchetto/server/app/testing.ts';
import { expect, it } from 'vitest';
import { LEAST_TROUBLE, provoke } from './faults.ts';

// A small size of `./rocchetto bench faults`.
it('what two processes acknowledged while they were killed and cut off is there, once', async () => {
  const t = await startTestApp();
  try {
    await seedDemo(t.url);
    const found = await provoke(t.url, 9, 3);
    expect(found.lost).toEqual([]);
    expect(found.doubled).toEqual([]);
    expect(found.acknowledged).toBeGreaterThan(found.kinds);
    expect(found.kills + found.terminated).toBeGreaterThan(LEAST_TROUBLE);
    expect(found.untried).toEqual([]);
  } finally {
    await t.close();
  }
}, 120_000);

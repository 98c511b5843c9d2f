import { describe, expect, it } from 'vitest';
import { WorkQueue } from './queue.ts';

/** Work that ends when it is told to, and says when it began. */
function steps() {
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  const work = (name: string) => () =>
    new Promise<string>((done) => {
      begun.push(name);
      ends.set(name, () => done(name));
    });
  const end = async (name: string) => {
    ends.get(name)!();
    await new Promise((r) => setTimeout(r, 0));
  };
  return { begun, work, end };
}
/** What can begin by now has begun. */
const begun = () => new Promise((r) => setTimeout(r, 0));
const code = (e: { problem: { code: string } }) => e.problem.code;

describe('heavy work', () => {
  it('goes round by person: one who asks for much keeps nobody waiting for more than what is in hand', async () => {
    const q = new WorkQueue('papers', { atOnce: 1, each: 10, all: 20 });
    const s = steps();
    const all = [
      ...['a1', 'a2', 'a3', 'a4'].map((n) => q.run(1, s.work(n))),
      q.run(2, s.work('b1')),
      q.run(3, s.work('c1')),
    ];
    await begun();
    for (const n of ['a1', 'a2', 'b1', 'c1', 'a3', 'a4']) await s.end(n);
    expect(await Promise.all(all)).toEqual(['a1', 'a2', 'a3', 'a4', 'b1', 'c1']);
    expect(s.begun).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'a4']);
  });
  it('is bounded for one and for all, in words; what was let in is done', async () => {
    const q = new WorkQueue('papers', { atOnce: 1, each: 2, all: 3 });
    const s = steps();
    const first = q.run(1, s.work('a1'));
    const rest = [q.run(1, s.work('a2')), q.run(1, s.work('a3'))];
    await expect(q.run(1, s.work('a4')).catch(code)).resolves.toBe('queue-full');
    const other = q.run(2, s.work('b1'));
    await expect(q.run(3, s.work('c1')).catch((e) => e.problem.detail)).resolves.toContain('Too many papers');
    for (const n of ['a1', 'a2', 'b1', 'a3']) await s.end(n);
    expect(await Promise.all([first, ...rest, other])).toEqual(['a1', 'a2', 'a3', 'b1']);
  });
  it('of which only the newest question counts drops the one that waits, never the one in hand', async () => {
    const q = new WorkQueue('questions', { atOnce: 1, each: 4, all: 9 });
    const s = steps();
    const first = q.run(1, s.work('q1'), true);
    const second = q.run(1, s.work('q2'), true).catch(code);
    const third = q.run(1, s.work('q3'), true);
    await begun();
    await s.end('q1');
    await s.end('q3');
    expect(await Promise.all([first, second, third])).toEqual(['q1', 'superseded', 'q3']);
  });
  it('that fails gives its place free', async () => {
    const q = new WorkQueue('papers', { atOnce: 1, each: 4, all: 9 });
    await expect(q.run(1, () => Promise.reject(new Error('torn')))).rejects.toThrow('torn');
    expect(await q.run(1, async () => 'next')).toBe('next');
    expect(q.waiting).toBe(0);
  });
});

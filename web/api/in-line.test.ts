import { expect, it } from 'vitest';
import { inLine } from './in-line.ts';

/** A piece of work that ends when it is told to. */
function held(said: string[], name: string) {
  let end = (_: 'well' | 'badly') => {};
  const told = new Promise<'well' | 'badly'>((done) => {
    end = done;
  });
  const work = async () => {
    said.push(`${name} begins`);
    if ((await told) === 'badly') throw new Error(name);
    return name;
  };
  return { work, end: (how: 'well' | 'badly' = 'well') => end(how) };
}
const soon = () => new Promise((go) => setTimeout(go, 0));

it('what is done to one thing waits for what was done before, to another it does not', async () => {
  const said: string[] = [];
  const [first, second, other] = ['first', 'second', 'other'].map((name) => held(said, name));
  const done = [inLine('a', first!.work), inLine('a', second!.work), inLine('b', other!.work)];
  second!.end();
  other!.end();
  await soon();
  expect(said).toEqual(['first begins', 'other begins']);
  first!.end();
  expect(await Promise.all(done)).toEqual(['first', 'second', 'other']);
  expect(said.at(-1)).toBe('second begins');
});

it('what fails is told to its own hand, and holds nothing up', async () => {
  const said: string[] = [];
  const [bad, good] = ['bad', 'good'].map((name) => held(said, name));
  const failing = inLine('c', bad!.work);
  const going = inLine('c', good!.work);
  bad!.end('badly');
  good!.end();
  await expect(failing).rejects.toThrow('bad');
  expect(await going).toBe('good');
  expect(await inLine('c', async () => 'later')).toBe('later');
});

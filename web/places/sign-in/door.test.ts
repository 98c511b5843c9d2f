import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ownAddress } from './door.ts';

const HERE = 'http://127.0.0.1:4180';
describe('where signing in leads', () => {
  it.each<[string | null, string]>([
    [null, '/'],
    ['', '/'],
    ['/orders/3?x=1#y', `${HERE}/orders/3?x=1#y`],
    ['//evil.example', '/'],
    ['/\\evil.example', '/'],
    ['/\t/evil.example', '/'],
    ['/\n/evil.example', '/'],
    ['/\r\\evil.example/x', '/'],
    ['https://evil.example', '/'],
    ['javascript:alert(1)', '/'],
    ['/sign-in?to=/x', '/'],
    ['/..//evil.example', `${HERE}//evil.example`],
  ])('%j leads to %s', (to, there) => expect(ownAddress(to, HERE)).toBe(there));
  it('is never another origin, whatever is written', () => {
    const piece = fc.constantFrom(
      '/',
      '\\',
      '\t',
      '\n',
      '.',
      '@',
      ':',
      'evil.example',
      'http:',
      '%2f',
      ' ',
      '?',
      '#',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), (parts) => {
        const led = ownAddress(`/${parts.join('')}`, HERE);
        expect(new URL(led, HERE).origin).toBe(HERE);
      }),
    );
  });
});

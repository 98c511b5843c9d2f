import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ownAddress } from './door.ts';

const HERE = 'http://127.0.0.1:4180';
describe('where signing in leads', () => {
  it.each<[string | null, string]>([
    [null, '/orders'],
    ['', '/orders'],
    ['/orders/3?x=1#y', `${HERE}/orders/3?x=1#y`],
    ['//evil.example', '/orders'],
    ['/\\evil.example', '/orders'],
    ['/\t/evil.example', '/orders'],
    ['/\n/evil.example', '/orders'],
    ['/\r\\evil.example/x', '/orders'],
    ['https://evil.example', '/orders'],
    ['javascript:alert(1)', '/orders'],
    ['/sign-in?to=/x', '/orders'],
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

import { describe, expect, it } from 'vitest';
import { inTheWay, isDatabaseDown, isTaken } from '../db/error-kinds.ts';
import { likeSafe } from '../db/like.ts';
import { refusalOf } from './database-errors.ts';

const withCode = (code: string, message = 'x') => Object.assign(new Error(message), { code });

// SQLSTATE classes as PostgreSQL's manual lists them (appendix A, from memory).
describe('what a database error means to the one who asked', () => {
  it.each([
    ['57P01', 503, 'database-away'],
    ['57P03', 503, 'database-away'],
    ['08006', 503, 'database-away'],
    ['53300', 503, 'database-away'],
    ['53100', 503, 'read-only'],
    ['25006', 503, 'read-only'],
    ['57014', 503, 'took-too-long'],
    ['RO001', 410, 'erased'],
    ['ECONNREFUSED', 503, 'database-away'],
    ['ECONNRESET', 503, 'database-away'],
    ['55P03', 503, 'being-saved'],
    ['40P01', 503, 'being-saved'],
    ['40001', 503, 'being-saved'],
    ['22001', 422, 'not-keepable'],
    ['22003', 422, 'not-keepable'],
    ['22021', 422, 'not-keepable'],
    ['22P02', 422, 'not-keepable'],
    ['23505', 422, 'already-there'],
    ['23503', 422, 'not-there'],
  ])('%s is %i %s, with a sentence', (code, status, name) => {
    const refusal = refusalOf(withCode(code))!;
    expect(refusal.problem).toMatchObject({ status, code: name });
    expect(refusal.problem.detail).toMatch(/\.$/);
  });
  it.each(['42P01', '42601', '23502', '23514', 'XX000', '', '22'])(
    '%j is the program’s own mistake',
    (code) => expect(refusalOf(withCode(code))).toBeNull(),
  );
  it.each([
    'Connection terminated unexpectedly',
    'Client has encountered a connection error and is not queryable',
    'timeout exceeded when trying to connect',
    'Client was closed and is not queryable',
  ])('“%s” says that the database is away', (message) => {
    expect(isDatabaseDown(new Error(message))).toBe(true);
    expect(refusalOf(new Error(message))!.problem.code).toBe('database-away');
  });
  it('what is no error, or another, is nothing of the kind', () => {
    for (const error of [null, undefined, 'Connection terminated', 0, {}, new Error('bad weather')])
      expect(isDatabaseDown(error ?? {})).toBe(false);
    expect([inTheWay(withCode('40P01')), inTheWay(withCode('23505'))]).toEqual([true, false]);
    expect([isTaken(withCode('23P01')), isTaken(withCode('23505'))]).toEqual([true, false]);
  });
});

describe('text inside a like pattern', () => {
  it.each([
    ['100 %', '100 \\%'],
    ['a_b', 'a\\_b'],
    ['back\\slash', 'back\\\\slash'],
    ['plain', 'plain'],
    ['%_\\', '\\%\\_\\\\'],
  ])('%s becomes %s', (text, safe) => expect(likeSafe(text)).toBe(safe));
});

import { createHash, randomBytes } from 'node:crypto';

/** 256 random bits for a cookie or link, and the hash that is kept. */
export function newToken(): { token: string; hash: Buffer } {
  const token = randomBytes(32).toString('base64url');
  return { token, hash: tokenHash(token) };
}

export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

import { createHmac, scryptSync, timingSafeEqual } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { Readable, Writable } from 'node:stream';
import { Decrypter, Encrypter } from 'age-encryption';
import { StopWord } from './stop-word.ts';

/** Files are sealed in the format of age-encryption.org/v1 with a passphrase: any tool that reads it opens them. */
export async function seal(from: string, to: string, passphrase: string): Promise<void> {
  const age = new Encrypter();
  age.setPassphrase(passphrase);
  const sealed = await age.encrypt(Readable.toWeb(createReadStream(from)) as ReadableStream<Uint8Array>);
  await sealed.pipeTo(Writable.toWeb(createWriteStream(to, { mode: 0o600 })) as WritableStream<Uint8Array>);
}

/** @throws StopWord for another passphrase, and for a file of which anything was changed */
export async function unseal(from: string, to: string, passphrase: string): Promise<void> {
  const age = new Decrypter();
  age.addPassphrase(passphrase);
  try {
    const open = await age.decrypt(Readable.toWeb(createReadStream(from)) as ReadableStream<Uint8Array>);
    await open.pipeTo(Writable.toWeb(createWriteStream(to, { mode: 0o600 })) as WritableStream<Uint8Array>);
  } catch {
    throw new StopWord(
      `${from} can’t be opened with this passphrase, or was changed. Nothing was restored. Check the passphrase.`,
    );
  }
}

/** What a check file says, under a key that only whoever knows the passphrase can make. */
export const macOf = (text: string, salt: string, passphrase: string): string =>
  createHmac(
    'sha256',
    scryptSync(passphrase.normalize('NFKC'), salt, 32, { N: 1 << 15, r: 8, p: 1, maxmem: 1 << 26 }),
  )
    .update(text)
    .digest('hex');
export const sameMac = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

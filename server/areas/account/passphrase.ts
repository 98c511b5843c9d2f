import { hash, verify } from '@node-rs/argon2';

// Argon2id, 19 MiB, 2 passes: the least OWASP's password storage cheat sheet advises (from memory).
const OPTIONS = { memoryCost: 19456, timeCost: 2, parallelism: 1 };
let decoy: Promise<string> | undefined;

export const hashPassphrase = (passphrase: string): Promise<string> =>
  hash(passphrase.normalize('NFKC'), OPTIONS);

/** Checks a passphrase. Without a stored hash it takes as long as with one, so that names cannot be guessed. */
export async function verifyPassphrase(stored: string | null, passphrase: string): Promise<boolean> {
  decoy ??= hashPassphrase('nobody has this one');
  const ok = await verify(stored ?? (await decoy), passphrase.normalize('NFKC'));
  return ok && stored !== null;
}

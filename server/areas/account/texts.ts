/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  codeNeeded: 'Type the six digits from your authenticator, or a recovery code.',
  factorAsked: (role: string | number) =>
    `The studio requires a second factor for the role “${role}”. It stays on.`,
  factorNeeded: 'The studio requires a second factor for your role. Set it up first to open the rest.',
  factorOn: 'A second factor is on already. Turn it off first.',
  linkUsed: 'This link was used already or is too old. Ask the owner for a new one.',
  locked: (name: string | number) =>
    `This screen is locked. What you wrote is still here. Type the passphrase of ${name} to continue.`,
  noCsrfToken: 'This page is out of date. Reload it and try again; what you wrote is still here.',
  otherAuthor:
    'This was written under another sign-in. Nothing was saved; it is kept on this device until that person signs in.',
  otherOrigin: 'This change came from another site and was not made.',
  signedOut: 'You are signed out. What you wrote is still here. Sign in again.',
  weakPassphrase: (warning: string | number) =>
    `This passphrase is too easy to guess. ${warning}Nothing was changed. Use four or five unrelated plain words.`,
  wrongCode: 'This code isn’t right, or was used already. Wait for the next one.',
  wrongCodeUnchanged:
    'This code isn’t right, or was used already. Nothing was changed. Wait for the next one and type its six digits.',
  wrongPassphrase: 'Wrong passphrase. Nothing was changed. Check it and try again.',
  wrongSignIn: 'Wrong name or passphrase. Check both and try again.',
} as const;

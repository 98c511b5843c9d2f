import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { SMTPServer } from 'smtp-server';

export interface CaughtMail {
  readonly from: string;
  readonly to: readonly string[];
  /** the letter as it came, with its headers */
  readonly raw: string;
}

export interface MailCatcher {
  readonly port: number;
  /** what came, the oldest first; the latest hundred */
  readonly caught: CaughtMail[];
  readonly stop: () => Promise<void>;
}

/** What a mail server says against an address; nothing where it takes it. */
type Answer = { readonly code: number; readonly says: string } | undefined;

interface How {
  /** where each letter is written as a file too */
  readonly into?: string;
  /** what it says to an address, as a mail server would; undefined to take it */
  readonly refuse?: (address: string) => Answer | Promise<Answer>;
  /** the only sign-in it takes; none is asked for when left out */
  readonly account?: { readonly user: string; readonly password: string };
  /** takes connections and says nothing */
  readonly mute?: boolean;
}

/** Most letters that are held. */
const HELD = 100;

/** A mail server on loopback that sends nothing on: what it is handed is kept, for the demo and for tests. */
export function startMailCatcher({ into, refuse, account, mute }: How = {}): Promise<MailCatcher> {
  const caught: CaughtMail[] = [];
  let count = 0;
  const server = new SMTPServer({
    authOptional: !account,
    allowInsecureAuth: true,
    disabledCommands: account ? ['STARTTLS'] : ['STARTTLS', 'AUTH'],
    size: 2_000_000,
    closeTimeout: 200,
    onConnect: (_, done) => {
      if (!mute) done();
    },
    onAuth: ({ username, password }, _, done) =>
      username === account?.user && password === account?.password
        ? done(null, { user: username })
        : done(new Error('Not this name and password')),
    onRcptTo: async ({ address }, _, done) => {
      const no = await refuse?.(address);
      done(no && Object.assign(new Error(no.says), { responseCode: no.code }));
    },
    onData: (stream, session, done) => {
      const chunks: Buffer[] = [];
      stream.on('data', (c: Buffer) => chunks.push(c));
      stream.on('end', () => {
        const { mailFrom, rcptTo } = session.envelope;
        const raw = Buffer.concat(chunks).toString('utf8');
        caught.push({ from: mailFrom ? mailFrom.address : '', to: rcptTo.map((r) => r.address), raw });
        caught.splice(0, caught.length - HELD);
        if (into) {
          mkdirSync(into, { recursive: true });
          writeFileSync(join(into, `${Date.now()}-${++count}.eml`), raw);
        }
        done();
      });
    },
  });
  server.on('error', () => undefined);
  return new Promise((done, fail) => {
    server.once('error', fail);
    server.listen(0, '127.0.0.1', () =>
      done({
        port: (server.server.address() as { port: number }).port,
        caught,
        stop: () => new Promise((ended) => server.close(() => ended())),
      }),
    );
  });
}

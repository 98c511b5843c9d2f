import type { MailServer } from '@rocchetto/contract';
import nodemailer from 'nodemailer';
import type { Letter } from '../../records/diary/messages.ts';

/** How long is waited for a connection, and for each answer, ms; and for all of it. */
const CONNECT = 10_000;
const ANSWER = 20_000;
const ALL = 60_000;

/** The mail server took the letter to nobody, and will not later either: its address is wrong, or it is not wanted. */
export class MailRefused extends Error {}
/** It did not go now; later it may. */
export class MailTrouble extends Error {}

export interface Sender {
  readonly server: MailServer;
  readonly secret: string;
  /** the studio as it signs, and its address */
  readonly name: string;
  readonly from: string;
  /** how long each answer is waited for, ms */
  readonly wait?: number;
}

interface SmtpError extends Error {
  readonly code?: string;
  readonly command?: string;
  readonly response?: string;
  readonly responseCode?: number;
}

/** What the other side said, without its line ends, in so far as it fits. */
const words = (e: SmtpError) => (e.response ?? e.message).replace(/\s+/g, ' ').trim().slice(0, 150);

/** Why a letter did not go, in a sentence. */
function reason({ host, port }: MailServer, e: SmtpError): Error {
  const at = `${host}:${port}`;
  if (e.code === 'EAUTH') return new MailTrouble(`The mail server refused the sign-in: ${words(e)}`);
  if (e.code === 'EENVELOPE' && (e.responseCode ?? 0) >= 500 && e.command === 'RCPT TO')
    return new MailRefused(`The mail server refused the address: ${words(e)}`);
  if (e.responseCode) return new MailTrouble(`The mail server answered: ${words(e)}`);
  if (e.code === 'ETIMEDOUT') return new MailTrouble(`The mail server ${at} doesn’t answer.`);
  if (e.code === 'ETLS' || /certificate|ssl|tls/i.test(e.message))
    return new MailTrouble(`No encrypted connection to ${at}: ${words(e)}`);
  return new MailTrouble(`The mail server ${at} can’t be reached: ${words(e)}`);
}

/**
 * Hands one letter to the house's mail server.
 * @param id the same each time a letter is tried, so that a mail program that gets it twice can tell
 * @throws MailRefused, MailTrouble
 */
export async function sendMail(by: Sender, letter: Letter, id: string): Promise<void> {
  const { host, port, security, user } = by.server;
  const transport = nodemailer.createTransport({
    host,
    port,
    secure: security === 'tls',
    requireTLS: security === 'starttls',
    ignoreTLS: security === 'none',
    ...(user ? { auth: { user, pass: by.secret } } : {}),
    connectionTimeout: CONNECT,
    greetingTimeout: by.wait ?? ANSWER,
    socketTimeout: by.wait ?? ANSWER,
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  let late: NodeJS.Timeout | undefined;
  try {
    await Promise.race([
      transport.sendMail({
        from: { name: by.name, address: by.from },
        to: letter.to,
        subject: letter.subject,
        text: letter.body,
        messageId: `<${id}@${by.from.split('@').at(-1)}>`,
        headers: { 'Auto-Submitted': 'auto-generated' },
      }),
      new Promise<never>((_, fail) => {
        late = setTimeout(() => fail(Object.assign(new Error('late'), { code: 'ETIMEDOUT' })), ALL);
      }),
    ]);
  } catch (error) {
    throw reason(by.server, error as SmtpError);
  } finally {
    clearTimeout(late);
    transport.close();
  }
}

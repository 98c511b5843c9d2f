import { z } from 'zod';

/** How the way to the mail server is closed to others: from the first word, after the greeting, or not at all. */
export const MAIL_SECURITY = ['tls', 'starttls', 'none'] as const;

/** Through which mail server letters go. */
export const MailServer = z.strictObject({
  on: z.boolean(),
  host: z
    .string()
    .trim()
    .max(253, 'The mail server’s name is over 253 characters.')
    .regex(/^[\w.:-]*$/, 'This isn’t the name of a mail server. Type it like mail.example.org.'),
  port: z
    .int()
    .min(1, 'A port is a number from 1 to 65535.')
    .max(65_535, 'A port is a number from 1 to 65535.'),
  security: z.enum(MAIL_SECURITY),
  user: z.string().trim().max(200, 'The sign-in name is over 200 characters.'),
});
export type MailServer = z.infer<typeof MailServer>;

/** Itself at the other end of the table: nobody can listen. */
const isHere = (host: string) => host === 'localhost' || host === '::1' || /^127\./.test(host);

export const MailServerWrite = MailServer.extend({
  /** what was kept stays when it is left out; empty takes it away */
  password: z.string().max(500, 'The password is over 500 characters.').optional(),
})
  .refine((m) => !m.on || m.host !== '', 'Enter the mail server’s name, like mail.example.org.')
  .refine(
    (m) => m.security !== 'none' || isHere(m.host) || (!m.user && !m.password),
    'Without encryption the password could be read on its way. Choose TLS or STARTTLS, or leave name and password empty.',
  );
export type MailServerWrite = z.infer<typeof MailServerWrite>;

export const MailServerView = MailServer.extend({ version: z.number(), hasPassword: z.boolean() });
export type MailServerView = z.infer<typeof MailServerView>;

/** A letter to try the way with. */
export const MailTry = z.strictObject({ to: z.email('This isn’t an e-mail address. Check it.').max(200) });

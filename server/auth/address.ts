import type { IncomingMessage } from 'node:http';
import proxyaddr from 'proxy-addr';
import type { Ctx } from '../http/context.ts';

/** Addresses of our own proxies, from TRUSTED_PROXY: a list such as "loopback, 10.0.0.7". Nobody, when it is not set. */
const proxies = (process.env.TRUSTED_PROXY ?? '')
  .split(',')
  .map((a) => a.trim())
  .filter(Boolean);
const trusts = proxyaddr.compile(proxies);

const incoming = (c: Ctx): IncomingMessage | undefined =>
  (c.env as { incoming?: IncomingMessage } | undefined)?.incoming;

/** Where a request comes from. What it says of having been forwarded counts only from a configured proxy. */
export function addressOf(c: Ctx): string {
  const request = incoming(c);
  return request ? proxyaddr(request, trusts) : 'unknown';
}

/** Whether the browser speaks https, as far as a configured proxy says so. */
export function isSecure(c: Ctx): boolean {
  const remote = incoming(c)?.socket.remoteAddress;
  return remote !== undefined && trusts(remote, 0) && c.req.header('x-forwarded-proto') === 'https';
}

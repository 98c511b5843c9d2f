import type { IncomingMessage } from 'node:http';
import proxyaddr from 'proxy-addr';
import type { Ctx } from './context.ts';

const incoming = (c: Ctx): IncomingMessage | undefined =>
  (c.env as { incoming?: IncomingMessage } | undefined)?.incoming;

/**
 * Where requests come from and how. What a request says of having been forwarded counts only when it comes from one
 * of our own proxies: a list such as "loopback, 10.0.0.7". Nobody, when the list is empty.
 */
export function behind(proxies = process.env.TRUSTED_PROXY ?? '') {
  const trusts = proxyaddr.compile(
    proxies
      .split(',')
      .map((a) => a.trim())
      .filter(Boolean),
  );
  return {
    addressOf: (c: Ctx): string => {
      const request = incoming(c);
      return request ? proxyaddr(request, trusts) : 'unknown';
    },
    /** whether the browser speaks https, as far as a proxy of ours says so */
    isSecure: (c: Ctx): boolean => {
      const remote = incoming(c)?.socket.remoteAddress;
      return remote !== undefined && trusts(remote, 0) && c.req.header('x-forwarded-proto') === 'https';
    },
  };
}

import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

/** Twenty hands in a process of their own, as browsers are: each sends one reading after another for `ms`. */
interface Task {
  readonly port: number;
  readonly headers: Record<string, string>;
  readonly sessions: readonly object[];
  readonly ms: number;
}

const agent = new Agent({ keepAlive: true, maxSockets: 64 });

function post(task: Task, hand: number, n: number): Promise<void> {
  const tenths = 600 + (n % 300);
  const [value, text] =
    tenths % 10 ? [`${tenths}/10`, String(tenths / 10)] : [String(tenths / 10), String(tenths / 10)];
  const body = JSON.stringify({
    session: task.sessions[hand],
    readings: [
      {
        id: randomUUID(),
        measure: 'waist',
        state: 'read',
        written: { value: simplest(value), unit: 'cm', text },
        at: new Date().toISOString(),
      },
    ],
  });
  return new Promise((done, fail) => {
    const req = request(
      {
        host: '127.0.0.1',
        port: task.port,
        path: '/api/readings',
        method: 'POST',
        headers: task.headers,
        agent,
      },
      (res) => {
        res.resume();
        res.on('end', () => (res.statusCode === 200 ? done() : fail(new Error(String(res.statusCode)))));
      },
    );
    req.on('error', fail);
    req.end(body);
  });
}

/** A decimal as the exact fraction that a reading carries. */
function simplest(value: string): string {
  const [n, d = 1] = value.split('/').map(Number) as [number, number?];
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  const by = gcd(n, d);
  return d / by === 1 ? String(n / by) : `${n / by}/${d / by}`;
}

process.on('message', async (task: Task) => {
  const until = performance.now() + task.ms;
  let n = 0;
  await Promise.all(
    task.sessions.map(async (_, hand) => {
      while (performance.now() < until) await post(task, hand, n++);
    }),
  );
  process.send?.(n);
});
process.send?.('ready');

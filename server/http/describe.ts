import * as contract from '@rocchetto/contract';
import { ROUTES, type Route, withParts } from '@rocchetto/contract';
import { Hono } from 'hono';
import { z } from 'zod';
import type { Env } from './context.ts';
import { on } from './route.ts';

const schema = (type: z.ZodType) => {
  const { $schema: _, ...rest } = z.toJSONSchema(type, {
    io: 'input',
    unrepresentable: 'any',
    override: withParts,
  });
  return rest;
};
/** What answers are made of, by the names the contract gives them: each is described once and pointed at. */
const NAMED = z.registry<{ id: string }>();
for (const [id, type] of Object.entries(contract))
  if (type instanceof z.ZodType && !NAMED.has(type)) NAMED.add(type, { id });
const at = (id: string) => `#/components/schemas/${id}`;

/** An answer: one that has a name, a list of such, or what it is. */
function answered(type: z.ZodType): object {
  const named = NAMED.get(type);
  if (named) return { $ref: at(named.id) };
  const inner = type instanceof z.ZodReadonly ? type.unwrap() : type;
  if (inner instanceof z.ZodArray) return { type: 'array', items: answered(inner.element as z.ZodType) };
  const { $schema: _, ...rest } = z.toJSONSchema(inner, { io: 'output', unrepresentable: 'any' });
  return rest;
}
/** Every named schema that the answers come to, by name. */
function namedSchemas(paths: unknown): Record<string, object> {
  const all = z.toJSONSchema(NAMED, { io: 'output', unrepresentable: 'any', uri: at }).schemas as Record<
    string,
    Record<string, unknown>
  >;
  const found: Record<string, object> = {};
  const follow = (text: string) => {
    for (const [, id] of text.matchAll(/"#\/components\/schemas\/(\w+)"/g))
      if (all[id!] && !found[id!]) {
        const { $schema: _, $id: __, ...rest } = all[id!]!;
        found[id!] = rest;
        follow(JSON.stringify(rest));
      }
  };
  follow(JSON.stringify(paths));
  return found;
}
const PROBLEM = { $ref: '#/components/schemas/Problem' };
const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: PROBLEM } },
});

const parameter = (name: string, where: 'path' | 'query' | 'header', of: object, required: boolean) => ({
  name,
  in: where,
  required,
  schema: of,
});

function operation(key: string, r: Route) {
  const [method, path] = key.split(' ') as [string, string];
  const query = r.query
    ? (schema(r.query) as { properties: Record<string, object>; required?: string[] })
    : null;
  const writes = method !== 'GET' && r.may !== 'open';
  const parameters = [
    ...(path.includes(':id') ? [parameter('id', 'path', { type: 'integer', minimum: 1 }, true)] : []),
    ...(path.includes(':uuid') ? [parameter('id', 'path', { type: 'string', format: 'uuid' }, true)] : []),
    ...Object.entries(query?.properties ?? {}).map(([name, of]) =>
      parameter(name, 'query', of, query?.required?.includes(name) ?? false),
    ),
    ...(writes
      ? [
          parameter('x-csrf-token', 'header', { type: 'string' }, true),
          parameter('idempotency-key', 'header', { type: 'string', format: 'uuid' }, false),
        ]
      : []),
  ];
  return {
    summary: r.does,
    ...(r.may === 'open' || r.may === 'signed-in' ? {} : { description: `Needs: ${r.may}.` }),
    ...(r.may === 'open' ? { security: [] } : {}),
    ...(parameters.length ? { parameters } : {}),
    ...(r.body
      ? { requestBody: { required: true, content: { 'application/json': { schema: schema(r.body) } } } }
      : {}),
    responses: {
      [r.status ?? 200]: {
        description: 'Done',
        content: { [r.media ?? 'application/json']: r.answer ? { schema: answered(r.answer) } : {} },
      },
      ...(r.may === 'open' ? {} : { 401: problem('Signed out'), 403: problem('Not open to this role') }),
      ...(path.includes(':') ? { 404: problem('Not there') } : {}),
      ...(r.body || r.query ? { 422: problem('Something in it is not right; says what') } : {}),
      ...(writes ? { 409: problem('Someone else saved it; both texts come back') } : {}),
      503: problem('The database can’t be reached, or someone else is saving this'),
    },
  };
}

/** The API as OpenAPI 3.1, from the contract's routes and their Zod schemas. */
export function describeApi() {
  const paths: Record<string, Record<string, object>> = {};
  for (const [key, route] of Object.entries(ROUTES) as [string, Route][]) {
    const [method, path] = key.split(' ') as [string, string];
    const at = path.replace(/:(id|uuid)/g, '{id}');
    paths[at] = { ...paths[at], [method.toLowerCase()]: operation(key, route) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Rocchetto',
      version: '1',
      description: 'The studio’s records: clients, orders, measurements, sheets.',
    },
    servers: [{ url: '/api' }],
    security: [{ signedIn: [] }],
    paths,
    components: {
      securitySchemes: { signedIn: { type: 'apiKey', in: 'cookie', name: 'rocchetto' } },
      schemas: {
        ...namedSchemas(paths),
        Problem: {
          type: 'object',
          description: 'RFC 9457. `detail` is a plain sentence.',
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            code: { type: 'string' },
            detail: { type: 'string' },
            problems: { type: 'array', items: { type: 'string' } },
            theirs: {},
            mine: {},
          },
          required: ['type', 'title', 'status', 'code', 'detail'],
        },
      },
    },
  };
}

let described: object | undefined;

export function describeRoutes(): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /openapi.json', (c) => {
    described ??= describeApi();
    return c.json(described);
  });
  return app;
}

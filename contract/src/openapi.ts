import { z } from './zod.ts';
import { problem } from './common.ts';
import { catalogue } from './errors.ts';
import { apiBase, routes, type Route } from './routes/index.ts';

type Json = Record<string, unknown>;

/** The description of the whole interface (OpenAPI 3.1), made from the same table as the service itself. */
export function openApi(version: string): Json {
  const paths: Record<string, Json> = {};
  for (const [name, definition] of Object.entries(routes) as [string, Route][]) {
    const path = apiBase + definition.path.replace(/:([a-z]+)/g, '{$1}');
    (paths[path] ??= {})[definition.method] = operation(name, definition);
  }
  return {
    openapi: '3.1.1',
    info: {
      title: 'Orbis',
      version,
      summary: 'Keeps the embed codes of a website’s owner.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    paths,
    components: {
      schemas: components(),
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: '__Host-orbis',
          description: 'Under http on this machine it is called orbis',
        },
        token: { type: 'http', scheme: 'bearer' },
      },
    },
  };
}

function operation(name: string, definition: Route): Json {
  const parameters = [...parametersOf(definition.params, 'path'), ...parametersOf(definition.query, 'query')];
  if (definition.ifMatch)
    parameters.push({
      name: 'If-Match',
      in: 'header',
      required: true,
      schema: { type: 'string' },
      description: 'The ETag of the state that is changed',
    });
  const responses: Record<string, Json> = {};
  for (const status of definition.statuses) {
    responses[status] = {
      description: status === 204 ? 'Done' : definition.summary,
      ...(definition.answer && status !== 204
        ? {
            content: {
              [definition.events ? 'text/event-stream' : 'application/json']: {
                schema: schemaOf(definition.answer, 'output'),
              },
            },
          }
        : {}),
    };
  }
  for (const [status, codes] of errorsOf(definition)) {
    responses[status] = {
      description: codes.map((code) => `${code}: ${catalogue[code].title}`).join('; '),
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    };
  }
  return {
    operationId: name,
    summary: definition.summary,
    tags: [definition.tag],
    ...(definition.access === 'owner' ? { security: [{ session: [] }, { token: [] }] } : { security: [] }),
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(definition.body
      ? {
          requestBody: {
            required: true,
            content: {
              [definition.method === 'patch' ? 'application/merge-patch+json' : 'application/json']: {
                schema: schemaOf(definition.body, 'input'),
              },
            },
          },
        }
      : {}),
    responses,
  };
}

function errorsOf(definition: Route): Map<number, (keyof typeof catalogue)[]> {
  const codes = new Set<keyof typeof catalogue>([...definition.errors, 'bad-request', 'internal']);
  if (definition.access === 'owner') codes.add('not-signed-in');
  if (definition.access !== 'probe') codes.add('database-away');
  if (definition.access === 'owner' && definition.method !== 'get' && !definition.readOnly)
    codes.add('token-read-only');
  codes.add('cross-site').add('unknown-host');
  if (definition.body)
    codes
      .add('unsupported-type')
      .add('unsupported-encoding')
      .add('not-json')
      .add('too-deep')
      .add('too-large');
  if (definition.ifMatch) codes.add('if-match-missing').add('if-match-stale');
  const byStatus = new Map<number, (keyof typeof catalogue)[]>();
  for (const code of codes)
    byStatus.set(catalogue[code].status, [...(byStatus.get(catalogue[code].status) ?? []), code]);
  return byStatus;
}

function parametersOf(shape: z.ZodObject | undefined, place: 'path' | 'query'): Json[] {
  if (!shape) return [];
  return Object.entries(shape.shape).map(([name, schema]) => ({
    name,
    in: place,
    required: place === 'path',
    schema: schemaOf(schema as z.ZodType, 'input'),
  }));
}

/* Schemas with an id stand once, among the components; the others stand where they are used. */
function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Json {
  const id = z.globalRegistry.get(schema)?.id;
  if (id) return { $ref: `#/components/schemas/${id}` };
  return relocated(z.toJSONSchema(schema, { io, unrepresentable: 'any', reused: 'inline' }));
}

function components(): Record<string, Json> {
  const made = z.toJSONSchema(z.globalRegistry, {
    uri: (id) => `#/components/schemas/${id}`,
    unrepresentable: 'any',
  });
  const schemas = Object.entries(made.schemas).map(([id, schema]): [string, Json] => [id, relocated(schema)]);
  return Object.fromEntries([...schemas, ['Problem', relocated(z.toJSONSchema(problem))]]);
}

/* Nested definitions of a single schema point into itself; here they stand among the components. */
function relocated(schema: Json): Json {
  const { $schema: _, $defs: __, $id: ___, id: ____, ...rest } = schema;
  return JSON.parse(JSON.stringify(rest).replaceAll('"#/$defs/', '"#/components/schemas/')) as Json;
}

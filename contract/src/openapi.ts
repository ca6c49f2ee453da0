import { z } from './zod.ts';
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
    servers: [{ url: '/', description: 'The Orbis that this document comes from' }],
    tags: tagsOf(),
    paths,
    components: {
      schemas: components(),
      headers,
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: '__Host-orbis',
          description: 'Under http on this machine it is called orbis',
        },
        token: { type: 'http', scheme: 'bearer' },
        password: {
          type: 'http',
          scheme: 'basic',
          description: 'Any name, and a token as the password',
        },
      },
    },
  };
}

function operation(name: string, definition: Route): Json {
  const parameters = [...parametersOf(definition.params, 'path'), ...parametersOf(definition.query, 'query')];
  if (definition.ifMatch) parameters.push(...conditionsOf(definition));
  const responses: Record<string, Json> = {};
  for (const status of definition.statuses) {
    responses[status] = {
      description: meaningOf(status),
      ...headersOf(definition, status),
      ...(definition.file ? { content: { [definition.file]: {} } } : {}),
      ...(definition.stream ? { content: { [definition.stream]: { schema: { type: 'string' } } } } : {}),
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
      ...(status === 429 || status === 503 ? { headers: { 'Retry-After': header('RetryAfter') } } : {}),
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    };
  }
  return {
    operationId: name,
    summary: definition.summary,
    ...rightOf(definition),
    tags: [definition.tag],
    security: securityOf(definition),
    ...(parameters.length > 0 ? { parameters } : {}),
    ...requestBodyOf(definition),
    responses,
  };
}

const securityOf = ({ needs, basic }: Route): Json[] =>
  isSignedIn(needs) ? [{ session: [] }, { token: [] }, ...(basic ? [{ password: [] }] : [])] : [];

/* The right that an operation takes, and where. */
function rightOf({ needs, at }: Route): Json {
  if (!isSignedIn(needs) || needs === 'self') return {};
  const where =
    at === undefined ? ' for everything' : typeof at === 'string' ? '' : ', on the sites of what is named';
  return { description: `Takes the right to ${needs}${where}.` };
}

const isSignedIn = (needs: Route['needs']): boolean => needs !== 'open' && needs !== 'probe';

/* Whether somebody who works on several sites has to say on which. */
const takesSite = ({ at }: Route): boolean =>
  typeof at === 'object' && Object.values(at).some((named) => named.startsWith('query.'));

function requestBodyOf({ method, body, takes }: Route): Json {
  const content = takes
    ? { [takes]: { schema: { type: 'string' } } }
    : body && {
        [method === 'patch' ? 'application/merge-patch+json' : 'application/json']: {
          schema: schemaOf(body, 'input'),
        },
      };
  return content ? { requestBody: { required: true, content } } : {};
}

function errorsOf(definition: Route): Map<number, (keyof typeof catalogue)[]> {
  const codes = new Set<keyof typeof catalogue>([...definition.errors, 'bad-request', 'internal']);
  const signedIn = isSignedIn(definition.needs);
  if (signedIn) codes.add('not-signed-in');
  if (signedIn && definition.needs !== 'self') codes.add('not-allowed');
  if (takesSite(definition)) codes.add('site-needed');
  codes.add('not-acceptable');
  if (definition.needs !== 'probe') codes.add('database-away');
  if (signedIn && definition.method !== 'get' && !definition.readOnly) codes.add('token-read-only');
  codes.add('cross-site').add('unknown-host');
  if (definition.body)
    codes
      .add('unsupported-type')
      .add('unsupported-encoding')
      .add('not-json')
      .add('too-deep')
      .add('too-large');
  if (definition.takes) codes.add('unsupported-type').add('unsupported-encoding');
  if (definition.ifMatch) codes.add('if-match-missing').add('if-match-stale');
  const byStatus = new Map<number, (keyof typeof catalogue)[]>();
  for (const code of codes)
    byStatus.set(catalogue[code].status, [...(byStatus.get(catalogue[code].status) ?? []), code]);
  return byStatus;
}

function parametersOf(shape: z.ZodObject | undefined, place: 'path' | 'query'): Json[] {
  if (!shape) return [];
  return Object.entries(shape.shape).map(([name, schema]) => {
    const { description = parameterWords[name], ...described } = schemaOf(schema as z.ZodType, 'input');
    return {
      name,
      in: place,
      required: place === 'path' || !(schema as z.ZodType).safeParse(undefined).success,
      description,
      schema: described,
    };
  });
}

/* What parameters of these names mean, wherever they stand. */
const parameterWords: Readonly<Record<string, string>> = {
  person: 'The id of a person',
  outcome: 'Only acts that ended so',
  limit: 'How many items an answer has at most',
  after: 'The “next” of the answer before; without it, the list begins at its beginning',
  q: 'Words that stand in the name, the notes or the tags',
  where: 'A search, as docs/search.md explains it',
  kind: 'Only embeds of this kind',
  tag: 'Only embeds with this tag',
  host: 'Only embeds whose code contacts this host',
  provider: 'The id of a provider’s sheet',
  level: 'Only embeds whose worst finding is of this level',
  state: 'Only placements in this state',
  embed: 'The key of an embed',
  site: 'The key of a site',
  page: 'The key of a page: site/path',
  spot: 'The key of a spot: site/path#name',
  shared: 'The key of a spot that many pages have: site#name',
  placement: 'The id of a placement',
  revision: 'The number of a revision',
  from: 'The number of a revision',
  to: 'The number of another revision',
  list: 'The id of a change list',
  link: 'The id of a link to a plan',
  change: 'The id of a change of many embeds',
  harvest: 'The id of a harvest',
  finding: 'The id of a finding',
  look: 'The id of a look at a page',
  inspection: 'The id of a check of a whole site',
  picture: 'The width of the window, or “popup”',
  sweep: 'The id of a sweep',
  channel: 'The name of a way by which news goes out',
  message: 'The id of a message',
  preset: 'The key of a preset',
  search: 'The name of a search that is kept',
  endpoint: 'The id of an entry in the list of oEmbed providers',
  session: 'The id of a browser in which somebody is signed in',
  token: 'The id of a token',
  passkey: 'The id of a passkey',
  accept: 'Whether it is done though embeds come out differently',
};

/* Which state the request is about (RFC 9110, section 13.1). */
function conditionsOf({ method }: Route): Json[] {
  const makes = method === 'put';
  return [
    {
      name: 'If-Match',
      in: 'header',
      required: !makes,
      schema: { type: 'string' },
      description: `The ETag of the state that is changed, or * for whatever it is${makes ? '; needed where it is there already' : ''}`,
    },
    ...(makes
      ? [
          {
            name: 'If-None-Match',
            in: 'header',
            required: false,
            schema: { type: 'string', enum: ['*'] },
            description: 'Makes what is not there yet, in the place of If-Match',
          },
        ]
      : []),
  ];
}

const headers: Readonly<Record<string, Json>> = {
  ETag: {
    description: 'The state of what is answered, for If-Match (RFC 9110, section 8.8.3)',
    schema: { type: 'string' },
  },
  Location: {
    description: 'Where what was made or begun answers (RFC 9110, section 10.2.2)',
    schema: { type: 'string' },
  },
  Link: {
    description: 'With rel="next": the next page of the list, where there is one (RFC 8288)',
    schema: { type: 'string' },
  },
  RetryAfter: {
    description: 'After how many seconds to ask again (RFC 9110, section 10.2.3)',
    schema: { type: 'string' },
  },
};
const header = (name: string): Json => ({ $ref: `#/components/headers/${name}` });

function headersOf({ etag, location, query }: Route, status: number): { headers?: Json } {
  const sent = [
    ...(etag ? ['ETag'] : []),
    ...(location && (status === 201 || status === 202) ? ['Location'] : []),
    ...(query && 'after' in query.shape ? ['Link'] : []),
  ];
  return sent.length === 0 ? {} : { headers: Object.fromEntries(sent.map((name) => [name, header(name)])) };
}

const meaningOf = (status: number): string =>
  ({ 200: 'Done', 201: 'Made', 202: 'Begun', 204: 'Done; nothing to say' })[status] ?? 'Done';

const tagsOf = (): Json[] =>
  [...new Set((Object.values(routes) as Route[]).map(({ tag }) => tag))].map((name) => ({
    name,
    description: tagWords[name],
  }));
const tagWords: Readonly<Record<string, string>> = {
  'Service': 'Whether Orbis runs',
  'Signing in': 'Sessions of browsers, tokens of programs, the password',
  'Audit': 'Who did what, from where; each entry holds the hash of the one before',
  'Security': 'Passkeys, codes of an app and recovery codes, beside passwords',
  'Safety copies': 'One file with everything, made by schedule or when somebody asks, and read back',
  'People': 'Who works with Orbis, and what each of them may do',
  'Reading': 'What codes and links are, without keeping them',
  'Collection': 'Embeds: their codes, names and tags',
  'Looking': 'Pictures, stills, heights and weights, by a browser beside Orbis',
  'Adjusting': 'Options, revisions, and how a code goes out with them',
  'Groups': 'Many embeds at once: imports, presets and changes',
  'Changes': 'What was done, and taking it back',
  'Harvest': 'The embeds that are on a whole page',
  'Placing': 'Sites, pages and spots, and what a page needs',
  'Plans': 'What a page needs, step by step, also for somebody who is not signed in',
  'Register': 'Where each embed is, and what was handed out for it',
  'Terms': 'What has been agreed upon with providers: limits, prices, licences, ends',
  'Sweeping': 'What is really on the published pages',
  'Attention': 'What wants doing, and what was decided about it',
  'News': 'Hearing of what sweeps find: the ways by which that goes out, and what became of it',
  'What embeds load': 'Frames, scripts, files and links that placed embeds have, and how they are answered',
  'Providers': 'Provider sheets, and the list of oEmbed providers',
};

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
  return Object.fromEntries(schemas);
}

/* Nested definitions of a single schema point into itself; here they stand among the components. */
function relocated(schema: Json): Json {
  const { $schema: _, $defs: __, $id: ___, id: ____, ...rest } = schema;
  return JSON.parse(JSON.stringify(rest).replaceAll('"#/$defs/', '"#/components/schemas/')) as Json;
}

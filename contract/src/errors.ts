import { en, formatProblem } from './language/index.ts';

/** Facts that an error's sentence is made of: what was expected and what arrived. */
export type Facts = Record<string, string | number | boolean | null | undefined>;

interface CatalogueRow {
  /** HTTP status of the answer. */
  status: number;
  /** Exit status of the command line. */
  exit: 1 | 2 | 3 | 4;
  title: string;
  detail: (facts: Facts) => string;
}

const row = (status: number, exit: CatalogueRow['exit'], title: string, detail: CatalogueRow['detail']): CatalogueRow => ({ status, exit, title, detail });

const waitInWords = (seconds: number): string => (seconds < 100 ? `${seconds} ${seconds === 1 ? 'second' : 'seconds'}` : `${Math.ceil(seconds / 60)} minutes`);

/* Everything that is not about one option. */
const own = {
  'bad-request': row(400, 2, 'The request does not fit', (f) => `${f.problem ?? 'Something in the request does not fit.'}`),
  'not-json': row(400, 2, 'The body is no JSON', () => 'The body of the request could not be read as JSON.'),
  'too-large': row(413, 2, 'Too large', (f) => `At most ${f.most} are taken here${f.found ? `; this has ${f.found}` : ', and this is more'}.`),
  'too-deep': row(400, 2, 'Nested too deep', (f) => `The body nests deeper than ${f.most} levels; nothing that Orbis takes does.`),
  'unsupported-type': row(415, 2, 'Wrong type', (f) => `This takes application/json; what arrived is ${f.found ?? 'of no stated type'}.`),
  'unsupported-encoding': row(415, 2, 'Compressed', (f) => `The body is compressed (${f.found}); send it as it is.`),
  'not-found': row(404, 2, 'Not found', (f) => `There is no ${f.what} “${f.key}”.${f.remedy ? ` ${f.remedy}` : ''}`),
  'no-route': row(404, 2, 'No such address', (f) => `Nothing answers at ${f.path}. The interface is described at /api/openapi.json.`),
  'method-not-allowed': row(405, 2, 'Method not allowed', (f) => `${f.path} does not take ${f.method}; it takes ${f.allowed}.`),
  'not-signed-in': row(401, 4, 'Not signed in', () => 'Sign in first: in the console with your password, on the command line with “orbis login”.'),
  'wrong-password': row(
    401,
    4,
    'Wrong password',
    () => 'That is not the password. If it is lost, “npm run reset-password” on the server’s own machine makes a link for a new one.',
  ),
  'link-used': row(
    401,
    4,
    'Link no longer valid',
    () => 'This link has been used, or its time is over. Start Orbis again, or run “npm run reset-password” on its machine, for a new one.',
  ),
  'token-unknown': row(401, 4, 'Token not valid', () => 'This token is not known, was revoked, or its time is over. “orbis login” makes a new one.'),
  'cross-site': row(403, 4, 'Refused', () => 'Orbis answers its own pages and programs only; this request came from a page of another site.'),
  'unknown-host': row(
    421,
    3,
    'Another name',
    (f) => `Orbis does not answer as ${f.host || 'a host without a name'}. Its address is ${f.home}; ORBIS_PUBLIC_URL says so where it is another one.`,
  ),
  'token-read-only': row(403, 4, 'Only reading', () => 'This token may only read. Use one that may change things: “orbis login” makes one, or “orbis tokens make”.'),
  'password-weak': row(422, 2, 'Password too short', (f) => `A password needs at least ${f.least} characters; a short sentence is easy to remember.`),
  'password-common': row(
    422,
    2,
    'Password in common use',
    () => 'Many people use this password, so it is among the first that others try. Take another one; a short sentence of your own is good.',
  ),
  'too-many-attempts': row(429, 4, 'Too many attempts', (f) => `There were too many attempts to sign in. Wait ${waitInWords(Number(f.seconds))} and try again.`),
  'if-match-missing': row(428, 4, 'State not named', () => 'Say with If-Match which state you are changing (the ETag that came with it), so that nobody’s change is lost.'),
  'if-match-stale': row(412, 4, 'Changed in the meantime', (f) => `Somebody changed this ${f.what} since you read it. Read it again, and make your change on the new state.`),
  'nothing-pasted': row(422, 2, 'Nothing there', () => 'There is nothing in what was pasted. Paste the code or the link that the provider hands out.'),
  'text-too-much': row(422, 2, 'More than Orbis reads', (f) => `${f.problem}`),
  'reading-too-slow': row(
    422,
    2,
    'Too slow to read',
    (f) => `Reading this took longer than ${f.seconds} seconds, so it was given up. Nothing was kept. Paste only the code, or a shorter page.`,
  ),
  'reading-too-large': row(
    422,
    2,
    'Too much to read',
    (f) => `Reading this took more than ${f.most} MB of memory, so it was given up. Nothing was kept. Paste only the code, or a shorter page.`,
  ),
  'too-busy': row(503, 3, 'Too busy', () => 'There is more to read at the moment than Orbis can. Nothing was kept. Try again in a few seconds.'),
  'no-code': row(422, 2, 'No embed code', () => 'This is text without any code in it. Paste the code or the link that the provider hands out.'),
  'visible-code': row(
    422,
    2,
    'Code as text',
    () =>
      'This is a code that was copied as text: visitors would read it instead of seeing the embed. Let it be mended (in the console with “Mend it”, on the command line with --mend), or copy it from the provider’s own field once more, as plain text.',
  ),
  'several-links': row(
    422,
    2,
    'Several links',
    (f) => `There are ${f.count} links in this. Each becomes an embed of its own: collect them as links (orbis collect takes several), not as one code.`,
  ),
  'link-not-known': row(422, 2, 'Link not known', (f) => `No provider sheet knows links like ${f.link}. Copy the provider’s embed code instead of the link.`),
  'no-link': row(422, 2, 'Not a link', (f) => `“${f.found}” is not a link. A link begins with https:// or http://.`),
  'link-unreachable': row(
    422,
    3,
    'Link not read',
    (f) => `The link could not be followed: ${f.why}${f.remedy ? ` ${f.remedy}` : ''} Nothing was collected; it can be collected without asking anybody (--ask-nobody).`,
  ),
  'link-refuses-frames': row(
    422,
    2,
    'Not to be framed',
    (f) => `${f.host} cannot be shown in a frame: ${f.because}. Nothing was collected; put a link to it on your page instead.`,
  ),
  'link-not-shown': row(
    422,
    2,
    'Nothing to show',
    (f) => `What ${f.host} sends is ${f.type}, which browsers do not show in a page. Nothing was collected; put a link to it on your page instead.`,
  ),
  'marked-code': row(409, 4, 'Already in the register', (f) => `This code was handed out by Orbis: it is the embed “${f.embed}”. Change that one instead of collecting it again.`),
  'key-taken': row(409, 4, 'Already there', (f) => `There is a ${f.what} “${f.key}” already.`),
  'in-use': row(409, 4, 'Still in use', (f) => `The ${f.what} “${f.key}” cannot be removed: ${f.by}.`),
  'address-invalid': row(422, 2, 'Not an address', (f) => `“${f.found}” is not the address of a site. It begins with https:// or http:// and names a host.`),
  'place-invalid': row(
    422,
    2,
    'Not a place',
    (f) => `“${f.found}” is not a place. A place is written site/path#spot, for example hollinfell/talks#main; the home page is hollinfell/#main.`,
  ),
  'option-ambiguous': row(422, 2, 'Several have it', (f) => `“${f.found}” is not the same with ${f.providers}. Say whose you mean, such as ${f.one}.`),
  'value-invalid': row(422, 2, 'Value not understood', (f) => `“${f.found}” is no value for ${f.option}; it takes ${f.expected}.`),
  'options-unfit': row(
    409,
    4,
    'Options that no longer fit',
    (f) => `With the newer code these options cannot be fulfilled: ${f.options}. Take them out first, or let them be dropped (--drop-unfit).`,
  ),
  'sheet-invalid': row(422, 2, 'No provider sheet', (f) => `This is not a provider sheet: ${f.problem}`),
  'cannot-learn': row(422, 2, 'Nothing to learn', (f) => `${f.problem}`),
  'list-invalid': row(
    422,
    2,
    'No list of providers',
    (f) => `This is no list of oEmbed providers: ${f.why}. Such a list is a JSON array of objects with provider_name, provider_url and endpoints.`,
  ),
  'sheet-other-id': row(422, 2, 'Another id', (f) => `The sheet says that it is “${f.found}”, not “${f.expected}”. Save it under its own id.`),
  'sheet-built-in': row(409, 4, 'Built in', (f) => `“${f.key}” is built in and stays. Save a sheet of your own with the same id to have that one used instead.`),
  'sheet-changes-embeds': row(
    409,
    4,
    'Embeds would come out differently',
    (f) => `With this sheet ${f.count === 1 ? 'one embed comes' : `${f.count} embeds come`} out differently: ${f.embeds}. Look at them first; then save it all the same (--yes).`,
  ),
  'sheet-in-use': row(
    409,
    4,
    'Sheet in use',
    (f) =>
      `“${f.key}” is in use by ${f.count === 1 ? 'one embed' : `${f.count} embeds`}: ${f.embeds}. What depends on it would be left out of them; remove it all the same with --yes.`,
  ),
  'search-invalid': row(422, 2, 'Search not understood', (f) => `Column ${f.column} of the search: ${f.problem}`),
  'nothing-asked': row(422, 2, 'Nothing asked for', () => 'Say what shall be changed: options to set, or names of options to take back.'),
  'group-impossible': row(
    409,
    4,
    'Not possible for all',
    (f) =>
      `${f.count === 1 ? 'One of the embeds' : `${f.count} of the embeds`} cannot have it: ${f.embeds}. Nothing was changed; leave them out of the search, or skip them (--skip-impossible).`,
  ),
  'change-undone': row(409, 4, 'Already taken back', (f) => `This change was taken back already, at ${f.at}.`),
  'changed-since': row(
    409,
    4,
    'Changed since',
    (f) => `${f.count === 1 ? 'One embed was' : `${f.count} embeds were`} changed since: ${f.embeds}. Nothing was taken back; bring those back one by one (orbis bring-back).`,
  ),
  'import-refused': row(
    422,
    2,
    'Not all can be taken in',
    (f) => `${f.count === 1 ? 'One of them' : `${f.count} of them`} cannot be taken in: ${f.items}. Nothing was collected; leave them out, or skip them (--skip-refused).`,
  ),
  'embed-retired': row(409, 4, 'Retired', (f) => `“${f.embed}” is retired. Restore it before placing it.`),
  'page-unreadable': row(422, 3, 'Page not read', (f) => `The page could not be read: ${f.why}${f.remedy ? ` ${f.remedy}` : ''}`),
  'already-taken': row(409, 4, 'Already taken', (f) => `Number ${f.number} was taken already: it is the embed “${f.embed}”. Nothing was collected.`),
  'already-placed': row(409, 4, 'Already placed', (f) => `“${f.embed}” is in ${f.place} already (placement ${f.placement}).`),
  'nothing-to-sweep': row(422, 2, 'Nothing to read', () => 'There is no page in the register that could be read. Add a site and its pages first.'),
  'sweep-ended': row(409, 4, 'Already ended', () => 'This sweep has ended already; there is nothing to stop.'),
  'job-running': row(409, 4, 'Already running', (f) => `A sweep of this is running already (${f.sweep}).`),
  'internal': row(500, 3, 'Something broke', (f) => `Something broke inside Orbis. Its log has the details under request ${f.request}.`),
  'database-away': row(
    503,
    3,
    'Database away',
    () => 'The database does not answer at the moment. Nothing was changed by halves; Orbis brings it back by itself. Try again in a few seconds.',
  ),
  'query-too-slow': row(503, 3, 'Took too long', () => 'This took the database too long, so it was broken off. Nothing was changed. Ask for less at once, or try again later.'),
} as const satisfies Record<string, CatalogueRow>;

/* An option that cannot be fulfilled is always answered in the same way; only the words differ. */
type ProblemCode = keyof typeof en.problems;
const ofProblems = Object.fromEntries(
  Object.entries(en.problems).map(([code, { title }]) => [code, row(422, 2, title, (facts) => formatProblem({ code, facts: defined(facts) }))]),
) as Record<ProblemCode, CatalogueRow>;
const defined = (facts: Facts) => Object.fromEntries(Object.entries(facts).map(([name, value]) => [name, value ?? null]));

/** Every error that Orbis answers with: its code, its statuses and its sentence. Codes are never used again for something else. */
export const catalogue = { ...own, ...ofProblems };

export type ErrorCode = keyof typeof catalogue;

/** One place in the request that does not fit, as a JSON Pointer (RFC 6901) into the body, or the name of a parameter. */
export interface FieldError {
  pointer: string;
  detail: string;
}

/** An error that has a row in the catalogue, with its facts. */
export class OrbisError extends Error {
  readonly code: ErrorCode;
  readonly facts: Facts;
  readonly errors: FieldError[];
  constructor(code: ErrorCode, facts: Facts = {}, errors: FieldError[] = []) {
    super(catalogue[code].detail(facts));
    this.name = 'OrbisError';
    this.code = code;
    this.facts = facts;
    this.errors = errors;
  }
  get status(): number {
    return catalogue[this.code].status;
  }
}

import { spoken, formatProblem } from './language/index.ts';

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

type Status = Pick<CatalogueRow, 'status' | 'exit'>;
const row = (status: number, exit: CatalogueRow['exit']): Status => ({ status, exit });

/* Everything that is not about one option; its words are the language file's. */
const statuses = {
  'bad-request': row(400, 2),
  'not-json': row(400, 2),
  'too-large': row(413, 2),
  'too-deep': row(400, 2),
  'not-acceptable': row(406, 2),
  'unsupported-type': row(415, 2),
  'unsupported-encoding': row(415, 2),
  'not-found': row(404, 2),
  'no-route': row(404, 2),
  'method-not-allowed': row(405, 2),
  'not-signed-in': row(401, 4),
  'not-allowed': row(403, 4),
  'site-needed': row(422, 2),
  'name-needed': row(422, 2),
  'name-taken': row(409, 4),
  'nothing-granted': row(422, 2),
  'last-owner': row(409, 4),
  'wrong-password': row(401, 4),
  'wrong-code': row(401, 4),
  'second-factor-needed': row(401, 4),
  'second-factor-missing': row(403, 4),
  'second-factor-demanded': row(409, 4),
  'second-factor-own-first': row(409, 4),
  'no-second-factor': row(409, 4),
  'codes-set-up': row(409, 4),
  'codes-not-begun': row(409, 4),
  'passkey-refused': row(401, 4),
  'passkey-known': row(409, 4),
  'passkeys-impossible': row(409, 4),
  'too-many-passkeys': row(409, 4),
  'copies-off': row(409, 4),
  'copy-running': row(409, 4),
  'link-used': row(401, 4),
  'token-unknown': row(401, 4),
  'cross-site': row(403, 4),
  'unknown-host': row(421, 3),
  'token-read-only': row(403, 4),
  'password-weak': row(422, 2),
  'password-common': row(422, 2),
  'too-many-attempts': row(429, 4),
  'if-match-missing': row(428, 4),
  'if-match-stale': row(412, 4),
  'nothing-pasted': row(422, 2),
  'text-too-much': row(422, 2),
  'reading-too-slow': row(422, 2),
  'reading-too-large': row(422, 2),
  'too-busy': row(503, 3),
  'no-code': row(422, 2),
  'provider-unknown': row(422, 2),
  'visible-code': row(422, 2),
  'several-links': row(422, 2),
  'link-not-known': row(422, 2),
  'no-link': row(422, 2),
  'link-unreachable': row(422, 3),
  'link-refuses-frames': row(422, 2),
  'link-not-shown': row(422, 2),
  'marked-code': row(409, 4),
  'key-taken': row(409, 4),
  'too-many-shared-spots': row(409, 4),
  'too-many-blocks': row(409, 4),
  'no-block': row(422, 2),
  'in-use': row(409, 4),
  'address-invalid': row(422, 2),
  'place-invalid': row(422, 2),
  'shared-spot-invalid': row(422, 2),
  'option-ambiguous': row(422, 2),
  'value-invalid': row(422, 2),
  'options-unfit': row(409, 4),
  'another-thing': row(409, 4),
  'sheet-invalid': row(422, 2),
  'cannot-learn': row(422, 2),
  'list-invalid': row(422, 2),
  'sheet-other-id': row(422, 2),
  'sheet-built-in': row(409, 4),
  'sheet-changes-embeds': row(409, 4),
  'sheet-in-use': row(409, 4),
  'search-invalid': row(422, 2),
  'nothing-asked': row(422, 2),
  'group-impossible': row(409, 4),
  'change-undone': row(409, 4),
  'change-lasting': row(409, 4),
  'changed-since': row(409, 4),
  'import-refused': row(422, 2),
  'register-file-invalid': row(422, 2),
  'register-not-empty': row(409, 4),
  'embed-retired': row(409, 4),
  'embed-purged': row(409, 4),
  'not-retired': row(409, 4),
  'still-placed': row(409, 4),
  'placement-paused': row(409, 4),
  'nothing-to-list': row(422, 2),
  'already-ticked': row(409, 4),
  'work-changed': row(409, 4),
  'link-over': row(410, 4),
  'page-unreadable': row(422, 3),
  'sitemap-missing': row(422, 3),
  'specimen-missing': row(422, 3),
  'place-not-on-page': row(422, 2),
  'already-taken': row(409, 4),
  'already-placed': row(409, 4),
  'address-not-of-site': row(422, 2),
  'nothing-to-sweep': row(422, 2),
  'sweep-ended': row(409, 4),
  'time-passed': row(422, 2),
  'finding-without-code': row(409, 4),
  'job-running': row(409, 4),
  'inspection-running': row(409, 4),
  'inspection-ended': row(409, 4),
  'mail-not-set-up': row(409, 4),
  'too-many-channels': row(409, 4),
  'channel-unfit': row(422, 2),
  'feed-unknown': row(404, 2),
  'message-sent': row(409, 4),
  'browser-missing': row(503, 3),
  'browser-failed': row(503, 3),
  'browser-too-slow': row(503, 3),
  'browser-busy': row(503, 3),
  'selector-finds-nothing': row(422, 2),
  'nothing-to-photograph': row(422, 2),
  'no-picture-named': row(422, 2),
  'internal': row(500, 3),
  'database-away': row(503, 3),
  'query-too-slow': row(503, 3),
} as const satisfies Record<keyof typeof spoken.errors, Status>;

type OwnCode = keyof typeof statuses;
const own = Object.fromEntries(
  Object.entries(statuses).map(([code, status]) => [code, { ...status, ...spoken.errors[code as OwnCode] }]),
) as Record<OwnCode, CatalogueRow>;

/* An option that cannot be fulfilled is always answered in the same way; only the words differ. */
type ProblemCode = keyof typeof spoken.problems;
const ofProblems = Object.fromEntries(
  Object.entries(spoken.problems).map(([code, { title }]) => [
    code,
    { ...row(422, 2), title, detail: (facts: Facts) => formatProblem({ code, facts: defined(facts) }) },
  ]),
) as Record<ProblemCode, CatalogueRow>;
const defined = (facts: Facts) =>
  Object.fromEntries(Object.entries(facts).map(([name, value]) => [name, value ?? null]));

/**
 * Every error that Orbis answers with: its code, its statuses and its sentence. Codes are never used again
 * for something else.
 */
export const catalogue = { ...own, ...ofProblems };

export type ErrorCode = keyof typeof catalogue;

/**
 * One thing of several that an error is about: a place in the body of the request, as a JSON Pointer
 * (RFC 6901); a parameter of its address; or an embed by its key.
 */
export interface FieldError {
  pointer?: string;
  parameter?: string;
  embed?: string;
  detail: string;
}

/** Whether a picture could not be taken for a reason of its own embed: the next one can be all the same. */
export const isOfOnePicture = (code: string): boolean =>
  ['nothing-to-photograph', 'browser-too-slow', 'browser-failed'].includes(code);

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

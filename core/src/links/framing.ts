import { reason, type Reason } from '../reason.ts';

/** Whether a page lets itself be shown in a frame. */
export type Framing = { allowed: true } | { allowed: false; reason: Reason };

/**
 * What a page's headers say of being framed by these origins: `frame-ancestors` of its policies (CSP 3,
 * section 6.4.2.1), which stand before `X-Frame-Options` (RFC 7034; HTML, section 7.5).
 */
export function framingOf({
  page,
  frameOptions,
  policies,
  by,
}: {
  page: string;
  frameOptions: string | null;
  policies: readonly string[];
  by: readonly string[];
}): Framing {
  const lists = policies
    .flatMap((policy) => policy.split(','))
    .flatMap((policy) => policy.split(';').map((directive) => directive.trim().split(/\s+/)))
    .filter(([name]) => name?.toLowerCase() === 'frame-ancestors')
    .map(([, ...sources]) => sources);
  if (lists.length > 0) {
    const origins = by.length > 0 ? by : ['https://somewhere.invalid'];
    const refused = origins.find((origin) =>
      lists.some((sources) => !sources.some((source) => fits(source, new URL(origin), new URL(page)))),
    );
    return refused === undefined
      ? { allowed: true }
      : { allowed: false, reason: reason('policy-lets-only', { lets: listed(lists) }) };
  }
  const option = frameOptions?.split(',')[0]!.trim().toUpperCase() ?? '';
  if (option === 'DENY') return { allowed: false, reason: reason('frame-option-deny') };
  if (
    option === 'SAMEORIGIN' &&
    !(by.length > 0 && by.every((origin) => new URL(origin).origin === new URL(page).origin))
  )
    return { allowed: false, reason: reason('frame-option-own-site') };
  return { allowed: true };
}

/* Sources as the policy writes them, the first four; nothing lets nobody. */
const listed = (lists: readonly string[][]): string =>
  [...new Set(lists.flat())].slice(0, 4).join(', ') || "'none'";

/* A host-source, scheme-source or 'self' (CSP 3, section 6.7.2.7), as far as ancestors go. */
function fits(source: string, origin: URL, page: URL): boolean {
  const said = source.toLowerCase();
  if (said === "'none'") return false;
  if (said === "'self'") return origin.origin === page.origin;
  if (said === '*') return true;
  const found = /^(?:([a-z][a-z0-9+.-]*):(?:\/\/|$))?(?:((?:\*\.)?[a-z0-9.-]+|\*)(?::(\d+|\*))?)?/.exec(said);
  const [, scheme, host, port] = found ?? [];
  if (scheme && !hasScheme(origin, scheme)) return false;
  if (!host) return scheme !== undefined;
  return hasHost(origin, host) && hasPort(origin, port);
}

/* http: stands for https: as well (CSP 3, section 6.7.2.9). */
const hasScheme = ({ protocol }: URL, scheme: string): boolean =>
  protocol === `${scheme}:` || (scheme === 'http' && protocol === 'https:');

function hasHost({ hostname }: URL, host: string): boolean {
  if (host === '*') return true;
  return host.startsWith('*.') ? hostname.endsWith(host.slice(1)) : hostname === host;
}

function hasPort({ port, protocol }: URL, said: string | undefined): boolean {
  if (said === undefined) return port === '';
  return said === '*' || said === (port || (protocol === 'https:' ? '443' : '80'));
}

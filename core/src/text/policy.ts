/** One directive of a Content-Security-Policy (CSP 3), with its sources or tokens. */
export type Directive = readonly [name: string, values: readonly string[]];

/* What would begin another directive, another policy, or another header (CSP 3, section 2.2.1). */
const breaks = /[;,\s\p{Cc}]/u;

/**
 * The value of a Content-Security-Policy header: the only way in which one is made. `sandbox` and
 * `frame-ancestors` stand first, so that nothing after them can hide them.
 * @throws TypeError where a name or a value could say more than itself.
 */
export function writePolicy(directives: readonly Directive[]): string {
  const first = ['sandbox', 'frame-ancestors'];
  const rank = ([name]: Directive): number => (first.includes(name) ? first.indexOf(name) : first.length);
  for (const [name, values] of directives)
    for (const word of [name, ...values])
      if (word === '' || breaks.test(word))
        throw new TypeError(`“${word.slice(0, 60)}” cannot stand in a policy (${name.slice(0, 60)})`);
  return [...directives]
    .sort((a, b) => rank(a) - rank(b))
    .map(([name, values]) => [name, ...values].join(' '))
    .join('; ');
}

/** Letters, digits, hyphens and dots, no dot or hyphen at an end of a name, and at most a `*.` before all. */
const hostShape = /^(?:\*\.)?[a-z0-9](?:[a-z0-9.-]{0,251}[a-z0-9])?$/i;

/**
 * Whether a text is the name of a host, and can stand in a policy as it is. Where it may also have a port,
 * give it in `port`.
 */
export const isHost = (host: string): boolean =>
  hostShape.test(host) && !host.includes('..') && !/-\.|\.-/.test(host);

/** The origin of an address as a source of a policy; null where it has none that could stand there. */
export function originSource(address: string): string | null {
  const full = address.startsWith('//') ? `https:${address}` : address;
  if (!URL.canParse(full)) return null;
  const { protocol, hostname, origin } = new URL(full);
  return /^(?:https?|wss?):$/.test(protocol) && isHost(hostname) ? origin : null;
}

/** A host at whatever port, as a source of a policy; null where it is no host. */
export const hostSource = (host: string): string | null => (isHost(host) ? `${host}:*` : null);

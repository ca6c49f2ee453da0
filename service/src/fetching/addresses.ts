import { lookup as systemLookup } from 'node:dns/promises';
import ipaddr from 'ipaddr.js';

/**
 * Whether an IP address is one of the public internet: not private, loopback, link-local, multicast or
 * otherwise special.
 */
export function isPublic(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  // IPv4 inside IPv6 is judged as the IPv4 address that it stands for.
  const processed = ipaddr.process(address);
  if (processed.range() !== 'unicast') return false;
  // Of IPv6 only 2000::/3 is given out (RFC 4291, section 2.4): the rest has old forms that lead elsewhere.
  return processed.kind() === 'ipv4' || ((processed as ipaddr.IPv6).parts[0]! & 0xe000) === 0x2000;
}

/**
 * The addresses of a host. `*.localhost` is loopback by RFC 6761 (section 6.3), which the
 * system's resolver does not know.
 */
export async function resolveHost(hostname: string): Promise<{ address: string; family: 4 | 6 }[]> {
  const name = hostname
    .replace(/^\[|\]$/g, '')
    .replace(/\.$/, '')
    .toLowerCase();
  if (ipaddr.isValid(name)) return [{ address: name, family: ipaddr.parse(name).kind() === 'ipv6' ? 6 : 4 }];
  if (name === 'localhost' || name.endsWith('.localhost')) return [{ address: '127.0.0.1', family: 4 }];
  const found = await systemLookup(name, { all: true });
  return found.map(({ address, family }) => ({ address, family: family === 6 ? 6 : 4 }));
}

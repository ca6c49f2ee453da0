import ipaddr from 'ipaddr.js';
import type { Origins } from '../origins.ts';

/**
 * The name that passkeys are bound to (Web Authentication, Level 3: the RP ID): the console’s host. Null
 * where browsers allow none: at a bare address, and without https anywhere but on the same machine.
 */
export function passkeyHost({ console: home }: Pick<Origins, 'console'>): string | null {
  const { hostname, protocol } = new URL(home);
  const isHere = hostname === 'localhost' || hostname.endsWith('.localhost');
  const isAddress = ipaddr.isValid(hostname.replace(/^\[|\]$/g, ''));
  return !isAddress && (protocol === 'https:' || isHere) ? hostname : null;
}

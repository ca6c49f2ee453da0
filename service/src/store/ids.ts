import { randomBytes } from 'node:crypto';

const crockford = '0123456789abcdefghjkmnpqrstvwxyz';

/** Ten random characters of Crockford's base 32, in lower case: 50 bits. */
export function newPublicId(): string {
  return [...randomBytes(10)].map((byte) => crockford[byte & 31]).join('');
}

/** A secret for a link, a session or a token: 256 bits; only its hash is kept. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** A key made of a name: letters without their marks, digits, single hyphens; `embed` where nothing is left. */
export function keyFrom(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60)
    .replace(/-$/, '');
  return plain || 'embed';
}

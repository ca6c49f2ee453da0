import anyAscii from 'any-ascii';
import slugify from '@sindresorhus/slugify';
import { randomBytes } from 'node:crypto';

const crockford = '0123456789abcdefghjkmnpqrstvwxyz';

/** Ten random characters of Crockford's base 32, in lower case: 50 bits. */
export function newPublicId(): string {
  return [...randomBytes(10)].map((byte) => crockford[byte & 31]).join('');
}

/** A secret for a link, a session or a token: 256 bits; only its hash is kept. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/**
 * A key made of a name in whatever script: Latin letters, digits, single hyphens, at most 60; what it is
 * where nothing is left.
 * @example keyFrom('Führung durch die Kuppel', 'video') // 'fuehrung-durch-die-kuppel'
 * @example keyFrom('🌖', 'video') // 'video'
 */
export const keyFrom = (name: string, kind: string): string =>
  slugify(name.replaceAll(otherLetters, anyAscii), { decamelize: false }).slice(0, 60).replace(/-$/, '') ||
  (kind === 'unknown' ? 'embed' : kind);

/* Letters of scripts that the slug would lose. */
const otherLetters =
  /(?:(?![\p{Script=Latin}\p{Script=Cyrillic}\p{Script=Greek}\p{Script=Arabic}\p{Script=Armenian}\p{Script=Georgian}])\p{L})+/gu;

import { stringifySetCookie } from 'cookie';
import type { Origins } from '../origins.ts';

const isSecure = ({ console: home }: Origins): boolean => home.startsWith('https:');

/** Under https a name that browsers let no other host and no other path set (RFC 6265bis, section 4.1.3.2). */
export const cookieName = (origins: Origins): string => (isSecure(origins) ? '__Host-orbis' : 'orbis');

/** The header that sets the session's cookie, or takes it away (null). */
export const sessionCookie = (session: { secret: string; expiresAt: Date } | null, origins: Origins): string =>
  stringifySetCookie({
    name: cookieName(origins),
    value: session?.secret ?? '',
    httpOnly: true,
    sameSite: 'strict',
    path: '/',
    secure: isSecure(origins),
    expires: session?.expiresAt ?? new Date(0),
  });

import { stringifySetCookie } from 'cookie';
import type { Origins } from '../origins.ts';

const isSecure = ({ console: home }: Pick<Origins, 'console'>): boolean => home.startsWith('https:');

/** Under https names that browsers let no other host and no other path set (RFC 6265bis, section 4.1.3.2). */
export const cookieNames = (origins: Pick<Origins, 'console'>): { session: string; device: string } =>
  isSecure(origins)
    ? { session: '__Host-orbis', device: '__Host-orbis-device' }
    : { session: 'orbis', device: 'orbis-device' };

const setCookie = (name: string, value: string, expires: Date, origins: Pick<Origins, 'console'>): string =>
  stringifySetCookie({
    name,
    value,
    httpOnly: true,
    sameSite: 'strict',
    path: '/',
    secure: isSecure(origins),
    expires,
  });

/** The header that sets the session's cookie, or takes it away (null). */
export const sessionCookie = (
  session: { secret: string; expiresAt: Date } | null,
  origins: Pick<Origins, 'console'>,
): string =>
  setCookie(cookieNames(origins).session, session?.secret ?? '', session?.expiresAt ?? new Date(0), origins);

/* As long as browsers keep one (RFC 6265bis, section 5.6.1). */
const deviceDays = 400;

/** The header by which a browser is known again. */
export const deviceCookie = (secret: string, origins: Pick<Origins, 'console'>, now: Date): string =>
  setCookie(cookieNames(origins).device, secret, new Date(now.getTime() + deviceDays * 86_400_000), origins);

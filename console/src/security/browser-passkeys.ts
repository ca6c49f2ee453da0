import type { FactorAdded, Session } from '@orbis/contract';
import { ApiError } from '@orbis/contract/client';
import { api } from '../api.ts';

/** Whether this browser knows passkeys. */
export const hasPasskeys = (): boolean => 'PublicKeyCredential' in window;

/** The browser did not make a passkey, or none was chosen: somebody left it, or it took too long. */
class NoPasskey extends Error {
  override name = 'OrbisError';
  constructor() {
    super(
      'Your browser gave no passkey: it was left, took too long, or there is none here. Try it once more.',
    );
  }
}

/**
 * Has the browser make a passkey, and keeps it.
 * @throws ApiError, or {@link NoPasskey}
 */
export async function makePasskey(name: string, password: string): Promise<FactorAdded> {
  const { startRegistration } = await import('@simplewebauthn/browser');
  const { data: optionsJSON } = await api.call('passkeys.begin', { body: { password } });
  type Asked = Parameters<typeof startRegistration>[0]['optionsJSON'];
  const passkey = await orNone(startRegistration({ optionsJSON: optionsJSON as unknown as Asked }));
  return (await api.call('passkeys.create', { body: { name, passkey: { ...passkey } } })).data;
}

/**
 * Signs in with a passkey that the browser finds.
 * @throws ApiError, or {@link NoPasskey}
 */
export async function signInWithPasskey(): Promise<Session> {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const { data: optionsJSON } = await api.call('session.ask', {});
  type Asked = Parameters<typeof startAuthentication>[0]['optionsJSON'];
  const passkey = await orNone(startAuthentication({ optionsJSON: optionsJSON as unknown as Asked }));
  return (await api.call('session.passkey', { body: { passkey: { ...passkey } } })).data;
}

async function orNone<T>(asked: Promise<T>): Promise<T> {
  try {
    return await asked;
  } catch (error) {
    if (error instanceof ApiError) throw error;
    throw new NoPasskey();
  }
}

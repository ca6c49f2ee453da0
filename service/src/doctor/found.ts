import { spoken, type Diagnosis, type DoctorCode } from '@orbis/contract';

type Facts = Diagnosis['facts'];

/** What was found, with its sentences. */
export function found(state: Diagnosis['state'], code: DoctorCode, facts: Facts = {}): Diagnosis {
  const words = spoken.doctor.found[code];
  return { code, state, facts, said: words.said(facts), todo: words.todo(facts) };
}

/** Why something could not be reached, in a few words. */
export function whyAway(error: unknown): string {
  const cause = error instanceof Error && error.cause instanceof Error ? error.cause : error;
  const { code, message } = cause as { code?: string; message?: string };
  if (error instanceof Error && error.name === 'TimeoutError') return 'it does not answer in time';
  return code === undefined
    ? (message ?? String(error))
    : (known[code] ?? `${message ?? ''} (${code})`.trim());
}

const known: Readonly<Record<string, string>> = {
  ENOTFOUND: 'its name leads nowhere',
  EAI_AGAIN: 'names cannot be looked up',
  ECONNREFUSED: 'nothing listens there',
  ECONNRESET: 'the connection is broken off',
  EHOSTUNREACH: 'there is no way to it',
  ENETUNREACH: 'there is no way to it',
  ETIMEDOUT: 'it does not answer in time',
  CERT_HAS_EXPIRED: 'its certificate has ended',
  DEPTH_ZERO_SELF_SIGNED_CERT: 'its certificate is signed by nobody but itself',
  SELF_SIGNED_CERT_IN_CHAIN: 'its certificate is signed by somebody whom nobody knows',
  UNABLE_TO_VERIFY_LEAF_SIGNATURE: 'its certificate comes without those between',
  UNABLE_TO_GET_ISSUER_CERT_LOCALLY: 'its certificate is signed by somebody whom nobody knows',
  ERR_TLS_CERT_ALTNAME_INVALID: 'its certificate is for another name',
};

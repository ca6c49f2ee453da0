/** Why a page could not be read, in words for its owner. */
export class FetchFailure extends Error {
  /** The status that the server answered with, where it answered. */
  readonly status: number | null;
  readonly remedy: string;
  /** In how many seconds it may be asked again, where it is too busy and says that; else null. */
  readonly retryAfter: number | null;
  /** Whether nothing at all has answered. */
  readonly isSilence: boolean;
  /** Whether it was not even asked for, as Orbis asks nobody there. */
  readonly isUnasked: boolean;
  constructor(
    why: string,
    remedy: string,
    status: number | null = null,
    {
      retryAfter = null,
      isSilence = false,
      isUnasked = false,
    }: { retryAfter?: number | null; isSilence?: boolean; isUnasked?: boolean } = {},
  ) {
    super(why);
    this.status = status;
    this.remedy = remedy;
    this.retryAfter = retryAfter;
    this.isSilence = isSilence;
    this.isUnasked = isUnasked;
  }
}

/** Turns what the network said into a {@link FetchFailure}. */
export function failureOf(error: unknown, url: URL, seconds: number): FetchFailure {
  const chain = causes(error);
  const refused = chain.find((cause) => cause instanceof FetchFailure);
  if (refused) return refused;
  const codes = chain.flatMap((cause) => [
    'code' in cause && typeof cause.code === 'string' ? cause.code : cause.name,
  ]);
  const has = (...known: string[]): boolean => known.some((code) => codes.includes(code));
  const { host } = url;
  if (has('ENOTFOUND', 'EAI_AGAIN'))
    return new FetchFailure(
      `there is no host ${url.hostname}.`,
      'See that the site’s address is written rightly.',
      null,
      silence,
    );
  if (has('ECONNREFUSED'))
    return new FetchFailure(
      `nothing answers at ${host}.`,
      'See that the site is running, then check again.',
      null,
      silence,
    );
  if (has('TimeoutError', 'UND_ERR_CONNECT_TIMEOUT', 'UND_ERR_HEADERS_TIMEOUT', 'UND_ERR_BODY_TIMEOUT'))
    return new FetchFailure(
      `${host} did not answer within ${seconds} seconds.`,
      'Check again later.',
      null,
      silence,
    );
  if (
    has('Z_BUF_ERROR', 'Z_DATA_ERROR', 'UND_ERR_RES_CONTENT_LENGTH_MISMATCH') ||
    codes.some((code) => code.startsWith('ERR__ERROR_FORMAT') || code.startsWith('ERR_BROTLI'))
  )
    return new FetchFailure(
      `${host} broke its answer off in the middle, or packed it wrongly.`,
      'Check again later.',
    );
  if (has('ECONNRESET', 'UND_ERR_SOCKET'))
    return new FetchFailure(`${host} broke the connection off.`, 'Check again later.');
  if (codes.some((code) => /CERT|SSL|TLS/.test(code)))
    return new FetchFailure(
      `the certificate of ${host} is not valid.`,
      'Have the site’s certificate renewed.',
    );
  return new FetchFailure(
    `${host} could not be read (${codes.filter((code) => code !== 'Error' && code !== 'TypeError')[0] ?? 'no reason given'}).`,
    'See that the page opens in a browser, then check again.',
  );
}

const silence = { isSilence: true };

/** Whether the other side broke the connection off. */
export const brokenOff = (error: unknown): boolean =>
  causes(error).some(
    (cause) => 'code' in cause && (cause.code === 'ECONNRESET' || cause.code === 'UND_ERR_SOCKET'),
  );

function causes(error: unknown): Error[] {
  const out: Error[] = [];
  for (let at = error; at instanceof Error && out.length < 8; at = at.cause) out.push(at);
  return out;
}

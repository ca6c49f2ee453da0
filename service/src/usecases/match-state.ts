/**
 * Holds what is about to be changed against the state that the caller saw last (`If-Match`, RFC 9110,
 * section 13.1.1): called inside the transaction, with the state as it is there.
 * @throws OrbisError `if-match-stale` or `if-match-missing`
 */
export type MatchState = (etag: string, what: string) => void;
